import { MASK_SHEET_MM, maskOf } from '@/core/finish/lostMarks';
import type { UnitSystem } from '@/core/units';
import { mm, pdf, PRINTED_BAR } from '@/edge/pdf';

interface Mask {
  name: string;
  widthMm: number;
  lengthMm: number;
  fromEdgeMm: number | null;
}

/** The mask of a stripe or a legend as a drawing, mm: what is cut, and the edge of the piece that it is laid on. */
export function maskSvg(mask: Mask): { svg: string; widthMm: number; heightMm: number; pieces: number } {
  const { pieces, pieceMm, heightMm, shapes } = maskOf(mask);
  const drawn = shapes.map(({ kind, points, closed }) => {
    const path = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');
    return `<path d="${path}${closed ? ' Z' : ''}" fill="none" stroke="#000000" stroke-width="${kind === 'cut' ? 0.1 : 0.4}"/>`;
  });
  return {
    ...{ widthMm: pieceMm + 2, heightMm: heightMm + 2, pieces },
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-1 -1 ${pieceMm + 2} ${heightMm + 2}" width="${mm(pieceMm + 2)}" height="${mm(heightMm + 2)}">${drawn.join('')}</svg>`,
  };
}

/**
 * A mask at 1:1 on the paper of the workshop, with a bar by which the printer is checked.
 *
 * @returns `null` where it is wider than a sheet
 */
export function maskPdf(mask: Mask, units: UnitSystem): Promise<Buffer> | null {
  const { svg, widthMm, heightMm, pieces } = maskSvg(mask);
  if (heightMm > MASK_SHEET_MM.width) return null;
  return pdf({
    info: { title: `Mask: ${mask.name}` },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageOrientation: 'landscape',
    pageMargins: [mm(10), mm(9), mm(10), mm(9)],
    content: [
      { text: mask.name, bold: true, fontSize: 14 },
      {
        text: `Open between the masks: ${mask.widthMm} mm wide, ${mask.lengthMm} mm long${pieces > 1 ? `, in ${pieces} equal pieces end to end` : ''}. Print at full size (100 %) onto low-tack film, or lay film under it, and cut along the thin lines${mask.fromEdgeMm === null ? '' : '; the thick line lies on the edge of the piece'}. Pull the masks while the paint is soft. What is painted here is recorded as not original.`,
        margin: [0, 0, 0, mm(4)],
      },
      { svg, width: mm(widthMm) },
      { svg: PRINTED_BAR.svg, width: mm(PRINTED_BAR.widthMm), margin: [0, mm(5), 0, 0] },
      { text: `Printed at full size this bar is ${PRINTED_BAR.mm} mm long.`, fontSize: 8 },
    ],
  });
}
