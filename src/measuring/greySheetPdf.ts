import { dotsOf, GREY_SHEET, greyBoxes, printedGrey } from '@/core/picture/greySheetPlan';
import type { UnitSystem } from '@/core/units';
import { mm, pdf } from '@/edge/pdf';

const { widthMm, heightMm, frameMm, paperMm } = GREY_SHEET;

/** The sheet of greys as a drawing, mm, with the line that it is cut out along. */
function greySheetSvg(number: number): string {
  const box = (x: number, y: number, w: number, h: number, fill: string) =>
    `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}"/>`;
  const code = (l: number) => `rgb(${[0, 1, 2].map(() => printedGrey(l)).join()})`;
  const [w, h] = [widthMm + 2 * paperMm, heightMm + 2 * paperMm];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-paperMm} ${-paperMm} ${w} ${h}" width="${mm(w)}" height="${mm(h)}">`,
    `<rect x="${-paperMm + 0.1}" y="${-paperMm + 0.1}" width="${w - 0.2}" height="${h - 0.2}" fill="#ffffff" stroke="#bbbbbb" stroke-width="0.2"/>`,
    box(0, 0, widthMm, heightMm, '#000000'),
    box(frameMm, frameMm, widthMm - 2 * frameMm, heightMm - 2 * frameMm, '#ffffff'),
    ...greyBoxes.map(([x, y, bw, bh], i) => box(x, y, bw, bh, code(GREY_SHEET.greys[i]!))),
    ...dotsOf(number).map(({ at: [x, y], radiusMm }) => `<circle cx="${x}" cy="${y}" r="${radiusMm}" fill="#000000"/>`),
    '</svg>',
  ].join('');
}

/** The sheet of greys on the paper of the workshop, with how it is used. */
export function greySheetPdf(number: number, units: UnitSystem): Promise<Buffer> {
  return pdf({
    info: { title: `Sheet of greys ${number}` },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [mm(9), mm(16), mm(9), mm(14)],
    content: [
      { text: `Sheet of greys ${number}`, bold: true, fontSize: 16, margin: [0, 0, 0, mm(3)] },
      {
        text: 'Print on plain white paper without gloss, in black and white, with no saving of ink. Cut along the thin line: the white rim belongs to it. Glue it to stiff card; keep it dark and dry.',
        margin: [0, 0, 0, mm(5)],
      },
      { svg: greySheetSvg(number), width: mm(widthMm + 2 * paperMm) },
      {
        margin: [0, mm(6), 0, 0],
        ol: [
          'Once: photograph it beside a grey card whose colour you know, in daylight without sun, both flat and close together. In Kvell, under Workshop, Greys, that photograph says what these greys are.',
          'From then on: lay it flat beside each piece, all of it in the picture. Kvell finds it by its frame, whichever way it lies.',
          'Calibrate it again when it has faded, got wet, or was printed anew. A sheet from another printer gets another number.',
        ],
      },
    ],
  });
}
