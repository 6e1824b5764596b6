import { capsOf, mendedOf } from '@/data/keys';
import { findRestoration } from '@/data/restorations';
import { insideOnly } from '@/edge/entered';
import { asFile, fileName } from '@/edge/fileName';
import { getWorkshop } from '@/data/workshop';
import { boardPdf } from '@/stages/keys/boardPdf';
import { boardCsv, boardFile } from '@/stages/keys/file';
import { boardSvg } from '@/core/keyboard/drawing/svg';
import { drawnMap, hasMap, MAPS, type KeyMap } from '@/core/keyboard/drawing/maps';
import { boardView, lastSeen } from '@/stages/keys/view';

interface Context {
  params: Promise<{ id: string }>;
}

const isMap = (asked: string): asked is KeyMap => (MAPS as readonly string[]).includes(asked);

/**
 * A keyboard as a file: `?board=…&as=csv` its keys, `svg` and `pdf` a map of it (`&map=lines`, `caps` or `springs`), else
 * the whole as JSON.
 */
export const GET = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const asked = new URL(request.url).searchParams;
  const id = asked.get('board') ?? undefined;
  const { board, tests } = await boardView(restoration.id, id);
  if (!board || (id !== undefined && board.id !== id))
    return new Response('This keyboard is not here. Open the stage Keys, and choose one that is.', { status: 404 });
  const name = `${fileName(restoration.title)}-${fileName(board.name)}`;
  const as = asked.get('as');
  if (as === 'csv') return asFile(boardCsv(board), 'text/csv; charset=utf-8', `${name}.csv`);
  if (as !== 'svg' && as !== 'pdf') return asFile(boardFile(board), 'application/json; charset=utf-8', `${name}.json`);
  const map = asked.get('map') ?? 'lines';
  if (!isMap(map) || !hasMap(board.kind, map))
    return new Response(`There is no map of ${map} of this keyboard. Ask for one of ${MAPS.join(', ')}.`, {
      status: 404,
    });
  const [{ caps }, { measures }] = await Promise.all([capsOf(board.id), mendedOf(board.id)]);
  const drawn = drawnMap(map, board, { seen: lastSeen(tests), caps, measures });
  if (as === 'svg') return asFile(boardSvg(board, drawn), 'image/svg+xml; charset=utf-8', `${name}-${map}.svg`);
  const sheet = await boardPdf(board, drawn, (await getWorkshop()).units);
  return asFile(new Uint8Array(sheet), 'application/pdf', `${name}-${map}.pdf`);
});
