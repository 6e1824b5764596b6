import type { Observed } from '@/core/keyboard/evidence';
import { KIND } from '@/core/keyboard/kinds';
import type { Board } from '@/core/keyboard/layout';
import type { UnitSystem } from '@/core/units';
import { mm, pdf } from '@/edge/pdf';
import { boardSvg } from './svg';

const MARGIN_MM = 14;
/** Long side of the narrower of the two papers, less its margins. */
const WIDE_MM = 279 - 2 * MARGIN_MM;

/** The map of a keyboard on one sheet across: its keys with what they did, its lines, and each line in words. */
export function boardPdf(board: Board, seen: Readonly<Record<string, Observed>>, units: UnitSystem): Promise<Buffer> {
  const dead = board.keys.filter(({ id }) => seen[id] === 'dead').map(({ id }) => id);
  return pdf({
    info: { title: board.name },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageOrientation: 'landscape',
    pageMargins: [mm(MARGIN_MM), mm(MARGIN_MM), mm(MARGIN_MM), mm(MARGIN_MM)],
    content: [
      { text: board.name, bold: true, fontSize: 18 },
      {
        text: `${board.keys.length} keys. ${KIND[board.kind].title}.${dead.length > 0 ? ` Dead when last tried: ${dead.join(', ')}.` : ''}`,
        margin: [0, 0, 0, mm(4)],
      },
      // Its signs are not in the own type.
      { svg: boardSvg(board, seen, 'Wide'), fit: [mm(WIDE_MM), mm(110)] },
      ...board.lines.map(({ id, kind, route, foldAfter }) => ({
        text: `${id}, ${kind}, from the connector: ${route.join(', ')}${foldAfter.length > 0 ? `; folds after ${foldAfter.join(', ')}` : ''}`,
        margin: [0, 3, 0, 0] as [number, number, number, number],
        fontSize: 9,
      })),
    ],
  });
}
