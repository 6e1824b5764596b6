import { PLACED } from '@/core/paper';
import { pdf } from './heavy.worker';

const [HEADING, FIRST, WORDS] = ['http://127.0.0.1/heading', 'http://127.0.0.1/first', 'http://127.0.0.1/words'];

/** What is linked on each page of a PDF. */
function linksByPage(bytes: Uint8Array): string[][] {
  const text = Buffer.from(bytes).toString('latin1');
  const objects = new Map([...text.matchAll(/(\d+) 0 obj\s([\s\S]*?)endobj/g)].map(([, id, own]) => [id!, own!]));
  return [...objects.values()]
    .filter((own) => /\/Type \/Page\b/.test(own))
    .map((page) =>
      [...(/\/Annots \[([^\]]*)\]/.exec(page)?.[1] ?? '').matchAll(/(\d+) 0 R/g)].map(([, annotation]) => {
        const [, action] = /\/A (\d+) 0 R/.exec(objects.get(annotation!)!)!;
        return /\/URI \((.*?)\)/.exec(objects.get(action!)!)![1]!;
      }),
    );
}

const filler = (lines: number) => Array.from({ length: lines }, (_, i) => ({ text: `line ${i}` }));
const heading = (text: string, link?: string) => ({ text, link, headlineLevel: PLACED.heading, margin: [0, 8, 0, 2] });

it.each([
  ['by itself', [heading('Heading', HEADING)]],
  ['with one below it', [heading('Heading', HEADING), heading('of its first part')]],
])('no heading of a sheet stands at the foot of a page, however much stands before it: %s', async (_, headings) => {
  let turned = 0;
  for (let lines = 34; lines < 46; lines++) {
    const first = { columns: [{ text: 'first', link: FIRST }, { text: 'beside' }] };
    const pages = linksByPage(await pdf({ footerTitle: 'Trial', content: [...filler(lines), ...headings, first] }));
    const at = pages.findIndex((links) => links.includes(HEADING));
    expect([...new Set(pages[at])]).toEqual([HEADING, FIRST]);
    turned += at;
  }
  // On some of them it stands on the second page, on some on the first.
  expect(turned).toBeGreaterThan(0);
  expect(turned).toBeLessThan(12);
});

it('nothing shown is parted from the words below it, nor its heading from it', async () => {
  const pageOf = new Set<number>();
  for (let lines = 28; lines < 42; lines++) {
    const shown = {
      columns: [{ text: 'shown\n\n\n', link: FIRST }, { text: 'beside' }],
      headlineLevel: PLACED.captioned,
    };
    const caption = { text: 'words', link: WORDS, headlineLevel: PLACED.caption };
    const content = [...filler(lines), heading('Part'), heading('Heading', HEADING), shown, caption, ...filler(60)];
    const pages = linksByPage(await pdf({ footerTitle: 'Trial', content }));
    const at = pages.findIndex((links) => links.includes(HEADING));
    expect([...new Set(pages[at])]).toEqual([HEADING, FIRST, WORDS]);
    expect(pages.length).toBe(3);
    pageOf.add(at);
  }
  expect([...pageOf].sort()).toEqual([0, 1]);
});

it.each([
  ['of the own type', '12 mm, −3 °C, €40, Łucja Őri', []],
  ['that the own type lacks', '40 µm, Йота', ['DejaVuSansCondensed']],
])('sets letters %s in a type that has them', async (_, text, others) => {
  const bytes = Buffer.from(await pdf({ content: text })).toString('latin1');
  const names = [...bytes.matchAll(/\/FontName \/[A-Z]{6}\+(\S+)/g)].map(([, name]) => name);
  expect(names.filter((name) => !name!.startsWith('AtkinsonHyperlegibleNext'))).toEqual(others);
});
