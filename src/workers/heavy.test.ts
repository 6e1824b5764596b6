import { pdf } from './heavy.worker';

const [HEADING, FIRST] = ['http://127.0.0.1/heading', 'http://127.0.0.1/first'];

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
const heading = (text: string, link?: string) => ({ text, link, headlineLevel: 1, margin: [0, 8, 0, 2] });

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
