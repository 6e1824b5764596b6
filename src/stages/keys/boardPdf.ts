import { KIND } from '@/core/keyboard/kinds';
import type { Board } from '@/core/keyboard/layout';
import type { UnitSystem } from '@/core/units';
import { mm, pdf } from '@/edge/pdf';
import type { DrawnMap } from '@/core/keyboard/drawing/maps';
import { boardSvg } from '@/core/keyboard/drawing/svg';

const MARGIN_MM = 14;
/** Long side of the narrower of the two papers, less its margins. */
const WIDE_MM = 279 - 2 * MARGIN_MM;

/** A map of a keyboard on one sheet across: its keys as they are marked, and what it says in words. */
export const boardPdf = (board: Board, map: DrawnMap, units: UnitSystem): Promise<Buffer> =>
  pdf({
    info: { title: `${board.name}. ${map.title}` },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageOrientation: 'landscape',
    pageMargins: [mm(MARGIN_MM), mm(MARGIN_MM), mm(MARGIN_MM), mm(MARGIN_MM)],
    content: [
      { text: `${board.name}. ${map.title}`, bold: true, fontSize: 18 },
      { text: `${board.keys.length} keys. ${KIND[board.kind].title}.`, margin: [0, 0, 0, mm(4)] },
      // Its signs are not in the own type.
      { svg: boardSvg(board, map, 'Wide'), fit: [mm(WIDE_MM), mm(110)] },
      // Nor are they there in the words.
      ...map.words.map((text) => ({
        text,
        font: 'Wide',
        margin: [0, 3, 0, 0] as [number, number, number, number],
        fontSize: 9,
      })),
    ],
  });
