import { lostMarksOf } from '@/data/lastly';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { insideOnly } from '@/edge/entered';
import { asFile, fileName } from '@/edge/fileName';
import { maskPdf } from '@/stages/finish/maskPdf';

interface Context {
  params: Promise<{ id: string }>;
}

/** The mask of a lost stripe or legend on paper at 1:1: `?mark=…`. */
export const GET = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const asked = new URL(request.url).searchParams.get('mark');
  const mark = (await lostMarksOf(restoration.id)).find(({ id }) => id === asked);
  if (!mark) return new Response('This mark is not here. Open Finish, Lost marks, and choose one.', { status: 404 });
  const { name, widthMm, lengthMm, fromEdgeMm } = mark;
  if (!widthMm || !lengthMm)
    return new Response('Its width and length are not measured yet: there is no mask without them.', { status: 409 });
  const paper = maskPdf({ name, widthMm, lengthMm, fromEdgeMm }, (await getWorkshop()).units);
  return paper
    ? asFile(
        new Uint8Array(await paper),
        'application/pdf',
        `${fileName(restoration.title)}-${fileName(name)}-mask.pdf`,
      )
    : new Response('It is wider than a sheet of paper. Mask it with tape along a rule.', { status: 409 });
});
