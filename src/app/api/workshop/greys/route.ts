import { getWorkshop } from '@/data/workshop';
import { answer } from '@/edge/answer';
import { insideOnly } from '@/edge/entered';
import { asFile } from '@/edge/fileName';
import { printSchema } from '@/edge/measureSchema';
import { greySheetPdf } from '@/measuring/greySheetPdf';

/** `GET /api/workshop/greys?number=…`: the sheet of greys to print. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const answered = await answer(
    printSchema,
    Object.fromEntries(new URL(request.url).searchParams),
    async ({ number }) => ({
      number,
      sheet: await greySheetPdf(number, (await getWorkshop()).units),
    }),
  );
  if (!answered.ok) return Response.json({ errors: answered.errors }, { status: 400 });
  const { number, sheet } = answered.value;
  return asFile(new Uint8Array(sheet), 'application/pdf', `greys-${number}.pdf`);
});
