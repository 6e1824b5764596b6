import { MARK_SHEETS } from '@/core/mending/marks/sheet';
import { getWorkshop } from '@/data/workshop';
import { insideOnly } from '@/edge/entered';
import { asFile } from '@/edge/fileName';
import { markSheetPdf } from '@/stages/mend/markSheetPdf';

/** `GET /api/workshop/marks?sheet=large`: a sheet of marks to print; `small` for small parts. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams.get('sheet') ?? 'large';
  const sheet = MARK_SHEETS.find(({ name }) => name === asked);
  if (!sheet)
    return new Response(`There is no such sheet. One of: ${MARK_SHEETS.map(({ name }) => name).join(', ')}.`, {
      status: 404,
    });
  const paper = await markSheetPdf(sheet, (await getWorkshop()).units);
  return asFile(new Uint8Array(paper), 'application/pdf', `marks-${sheet.name}.pdf`);
});
