import { STAGES, STAGE_WORDS } from '@/core/runsheet/stages';
import { SUMS } from '@/core/sums/catalogue';
import { NOT_AWAY } from '@/data/putAway';
import { likeWords, select } from '@/data/table';

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

/** Rows of a query whose words, with their kind, hold all that was typed; those of the machine worked on last first. */
async function rowsWith<Row extends object>(query: string, text: string, wanted: readonly string[]): Promise<Row[]> {
  const holds = wanted.map((_, i) => `(${text}) LIKE :word${i} ESCAPE '\\'`).join(' AND ');
  const given = Object.fromEntries(wanted.map((word, i) => [`word${i}`, `%${likeWords(word)}%`]));
  return select<Row>(
    `${query} WHERE ${NOT_AWAY} AND ${holds || '1'} ORDER BY COALESCE(worked.logId, 0) DESC LIMIT ${MOST}`,
    given,
  );
}

/** Restorations, their stages and pieces, sums and places whose words hold all that was typed. */
export async function findAnything(words: string): Promise<Found[]> {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const holdsAll = ({ title, kind }: Found) => wanted.every((word) => `${title} ${kind}`.toLowerCase().includes(word));
  const stageTitles = STAGES.map((stage) => ({ stage, title: STAGE_WORDS[stage].title }));
  // Of a stage only the words that are not its own have to be in the name of the machine.
  const others = (title: string) => wanted.filter((word) => !`${title} stage`.toLowerCase().includes(word));
  const named = stageTitles.filter(({ title }) => others(title).length < wanted.length || wanted.length === 0);
  const [restorations, pieces, stages] = await Promise.all([
    rowsWith<{ id: string; title: string }>(
      `SELECT restorations.id, title FROM restorations LEFT JOIN worked ON worked.id = restorations.id`,
      `title || ' restoration'`,
      wanted,
    ),
    rowsWith<{ id: string; restorationId: string; title: string }>(
      `SELECT pieces.id, restorationId, tag || ' ' || name || ', ' || restorations.title AS title FROM pieces
        JOIN restorations ON restorations.id = pieces.restorationId LEFT JOIN worked ON worked.id = restorations.id`,
      `tag || ' ' || name || ', ' || restorations.title || ' piece'`,
      wanted,
    ),
    Promise.all(
      named.map(async ({ stage, title }) => {
        const machines = await rowsWith<{ id: string; title: string }>(
          `SELECT restorations.id, title FROM restorations LEFT JOIN worked ON worked.id = restorations.id`,
          `title`,
          others(title),
        );
        return machines.map((machine) => ({
          href: `/restorations/${machine.id}/${stage}`,
          title: `${title}, ${machine.title}`,
          kind: 'stage',
        }));
      }),
    ),
  ]);
  const all: Found[] = [
    ...restorations.map(({ id, title }) => ({ href: `/restorations/${id}`, title, kind: 'restoration' })),
    ...pieces.map(({ id, restorationId, title }) => ({
      href: `/restorations/${restorationId}/pieces/${id}`,
      title,
      kind: 'piece',
    })),
    ...stages.flat(),
    ...SUMS.map(({ name, title }) => ({ href: `/sums/${name}`, title, kind: 'sum' })),
    ...PLACES,
  ];
  return all.filter(holdsAll).slice(0, MOST);
}
