import { findRestoration } from '@/data/restorations';
import { insideOnly } from '@/edge/entered';
import { asFile, fileName } from '@/edge/fileName';
import { getWorkshop } from '@/data/workshop';
import { boardPdf } from '@/stages/keys/boardPdf';
import { boardCsv, boardFile } from '@/stages/keys/file';
import { boardSvg } from '@/stages/keys/svg';
import { boardView, lastSeen } from '@/stages/keys/view';

interface Context {
  params: Promise<{ id: string }>;
}

/** A keyboard as a file: `?board=…&as=csv` its keys, `svg` its drawing, `pdf` its map on paper, else the whole as JSON. */
export const GET = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const asked = new URL(request.url).searchParams;
  const id = asked.get('board') ?? undefined;
  const { board, tests } = await boardView(restoration.id, id);
  if (!board || (id !== undefined && board.id !== id))
    return new Response('This keyboard is not here. Open the stage Keys, and choose one that is.', { status: 404 });
  const name = `${fileName(restoration.title)}-${fileName(board.name)}`;
  switch (asked.get('as')) {
    case 'csv':
      return asFile(boardCsv(board), 'text/csv; charset=utf-8', `${name}.csv`);
    case 'pdf': {
      const sheet = await boardPdf(board, lastSeen(tests), (await getWorkshop()).units);
      return asFile(new Uint8Array(sheet), 'application/pdf', `${name}.pdf`);
    }
    case 'svg':
      return asFile(boardSvg(board, lastSeen(tests)), 'image/svg+xml; charset=utf-8', `${name}.svg`);
    default:
      return asFile(boardFile(board), 'application/json; charset=utf-8', `${name}.json`);
  }
});
