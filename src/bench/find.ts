import { STAGES, STAGE_WORDS } from '@/core/runsheet/stages';
import { SUMS } from '@/core/sums/catalogue';
import { piecesOf } from '@/data/pieces';
import { listRestorations } from '@/data/restorations';

export interface Found {
  href: string;
  title: string;
  kind: string;
}

const PLACES: Found[] = [
  { href: '/', title: 'Bench', kind: 'place' },
  { href: '/restorations', title: 'Restorations', kind: 'place' },
  { href: '/stores', title: 'Stores', kind: 'place' },
  { href: '/sums', title: 'Sums', kind: 'place' },
  { href: '/workshop', title: 'Workshop', kind: 'place' },
];

const MOST = 12;

/** Restorations, their stages and pieces, sums and places whose words hold all that was typed. */
export async function findAnything(words: string): Promise<Found[]> {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const restorations = await listRestorations();
  const pieces = await Promise.all(restorations.map(({ id }) => piecesOf(id)));
  const all: Found[] = [
    ...restorations.map(({ id, title }) => ({ href: `/restorations/${id}`, title, kind: 'restoration' })),
    ...restorations.flatMap(({ id, title }, i) =>
      pieces[i]!.map((piece) => ({ href: `/restorations/${id}/pieces/${piece.id}`, title: `${piece.tag} ${piece.name}, ${title}`, kind: 'piece' })),
    ),
    ...restorations.flatMap(({ id, title }) =>
      STAGES.map((stage) => ({ href: `/restorations/${id}/${stage}`, title: `${STAGE_WORDS[stage].title}, ${title}`, kind: 'stage' })),
    ),
    ...SUMS.map(({ name, title }) => ({ href: `/sums/${name}`, title, kind: 'sum' })),
    ...PLACES,
  ];
  return all.filter(({ title, kind }) => wanted.every((word) => `${title} ${kind}`.toLowerCase().includes(word))).slice(0, MOST);
}
