import { BAR_MM, markAt, marksOf, RING_INSIDE, type MarkSheet } from '@/core/mending/marks/sheet';
import type { UnitSystem } from '@/core/units';
import { mm, pdf } from '@/edge/pdf';

/** White round the dots, and the room of the bar below them, mm. */
const RIM_MM = 5;
const FOOT_MM = 16;

/** A sheet of marks as a drawing, mm: its dots, and the bar by which a printer is checked, both whole. */
export function markSheetSvg(sheet: MarkSheet): { svg: string; widthMm: number } {
  const [w, h] = [(sheet.columns - 1) * sheet.pitchMm, (sheet.rows - 1) * sheet.pitchMm];
  const widthMm = Math.max(w, BAR_MM) + 2 * RIM_MM;
  const box = [(w - widthMm) / 2, -RIM_MM, widthMm, h + RIM_MM + FOOT_MM] as const;
  const barY = h + FOOT_MM - 5;
  const barX = (w - BAR_MM) / 2;
  const circle = (x: number, y: number, d: number, fill: string) =>
    `<circle cx="${x}" cy="${y}" r="${d / 2}" fill="${fill}"/>`;
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.join(' ')}" width="${mm(box[2])}" height="${mm(box[3])}">`,
    ...marksOf(sheet).flatMap((mark) => {
      const [x, y] = markAt(sheet, mark);
      return [
        circle(x, y, sheet.dotMm, '#000000'),
        ...(mark.ring ? [circle(x, y, RING_INSIDE * sheet.dotMm, '#ffffff')] : []),
      ];
    }),
    `<path d="M${barX} ${barY} h${BAR_MM} M${barX} ${barY - 2} v4 M${barX + BAR_MM} ${barY - 2} v4" stroke="#000000" stroke-width="0.25" fill="none"/>`,
    '</svg>',
  ].join('');
  return { svg, widthMm };
}

/** A sheet of marks on the paper of the workshop, at 1:1. */
export function markSheetPdf(sheet: MarkSheet, units: UnitSystem): Promise<Buffer> {
  const { svg, widthMm } = markSheetSvg(sheet);
  return pdf({
    info: { title: `Sheet of marks, ${sheet.name}` },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [mm(9), mm(7), mm(9), mm(6)],
    content: [
      { svg, width: mm(widthMm), alignment: 'center' },
      {
        text: `Print at full size (100 %), plain white paper. The bar should be ${BAR_MM} mm long: measure it and type what it is. Lay the part inside the dots, on flat paper, in light from all sides, and photograph the whole sheet from straight above.`,
        fontSize: 8,
        alignment: 'center',
      },
    ],
  });
}
