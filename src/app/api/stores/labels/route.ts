import { shelfWithCare } from '@/data/stockCare';
import { insideOnly, refusal } from '@/edge/entered';
import { asFile } from '@/edge/fileName';
import { labelsPdf } from '@/stages/teardown/labelsPdf';
import { PAPERS, type PaperName } from '@/stages/teardown/papers';

/** `GET /api/stores/labels?paper=…`: a label for each thing on the shelf, with a code that opens the stores. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const url = new URL(request.url);
  const paper = url.searchParams.get('paper') ?? Object.keys(PAPERS)[0]!;
  if (!(paper in PAPERS)) return refusal(`There is paper of these kinds: ${Object.keys(PAPERS).join(', ')}.`, 400);
  const items = await shelfWithCare();
  if (items.length === 0) return refusal('The shelf is empty. Put something into the stores first.', 404);
  const labels = items.map(({ id, name, kind, care }) => ({
    ...{ tag: care?.shelf || 'Shelf', title: name, words: [kind], lot: null, path: `/stores#${id}` },
  }));
  return asFile(
    new Uint8Array(await labelsPdf(labels, paper as PaperName, url.origin)),
    'application/pdf',
    'shelf.pdf',
  );
});
