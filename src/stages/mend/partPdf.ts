import { FAMILIES } from '@/core/mending/part/families';
import { partOf, type FamilyName } from '@/core/mending/part/part';
import type { UnitSystem } from '@/core/units';
import { mm, pdf, PRINTED_BAR } from '@/edge/pdf';
import { partBox, partPath } from '@/core/mending/part/drawing';

/** What fits on both papers that workshops print on, with its title and bar, mm. */
const FITS_MM = { width: 190, height: 205 } as const;

/** How a part is made without a printer: by its kind, what it is cut from. */
function byHand(family: FamilyName, thickMm: number): string[] {
  const cut = [
    `Plate of the same plastic, ${thickMm.toFixed(1)} mm thick, or thinner ones glued with the solvent of that plastic on a scrap first.`,
    'Glue this sheet on with a glue stick, or scratch the lines through with a needle.',
    'Eyes and dust: goggles and a mask. Drill the holes first, small and then wider, the plate held down on wood.',
    'Saw or score 1 mm outside of the line; a score is broken over an edge.',
    'File to the line, both faces level; 240, then 400 paper on a flat board.',
    'Lay it on the old part and on its gap; take off what binds, little by little.',
  ];
  const turned = [
    `Rod or tube of the same plastic or of metal; thickness and length as above.`,
    'Eyes: goggles. Cut square, file the ends level, drill along the middle in a vice with soft jaws.',
    'Try it in its hole: it should go in by hand and not fall out.',
  ];
  return family === 'pin' || family === 'sleeve' || family === 'foot' ? turned : cut;
}

/**
 * A part as a drawing at 1:1 to lay the old one on, with a bar by which the printer is checked, and how it is made by hand.
 *
 * @returns `null` where it is larger than a sheet of paper
 */
export function partPdf(family: FamilyName, sizes: object, name: string, units: UnitSystem): Promise<Buffer> | null {
  const { x, y, width, height } = partBox(family, sizes);
  const turned = width > FITS_MM.width && height <= FITS_MM.width;
  if ((turned ? height : width) > FITS_MM.width || (turned ? width : height) > FITS_MM.height) return null;
  const { boxMm, volumeMm3, massG } = partOf(family, sizes).solid;
  const [w, h] = turned ? [height, width] : [width, height];
  const drawing = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${turned ? `0 0 ${w} ${h}` : `${x} ${y} ${w} ${h}`}" width="${mm(w)}" height="${mm(h)}">`,
    turned ? `<g transform="translate(${w} 0) rotate(90) translate(${-x} ${-y})">` : '<g>',
    `<path d="${partPath(family, sizes)}" fill="none" stroke="#000000" stroke-width="0.1"/>`,
    '</g></svg>',
  ].join('');
  return pdf({
    info: { title: name },
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [mm(10), mm(9), mm(10), mm(9)],
    content: [
      { text: name, bold: true, fontSize: 14 },
      {
        text: `${FAMILIES[family].title}. ${boxMm.map((side) => side.toFixed(1)).join(' × ')} mm, ${(volumeMm3 / 1000).toFixed(2)} cm³, about ${massG.toFixed(1)} g.`,
        margin: [0, 0, 0, mm(3)],
      },
      { svg: drawing, width: mm(w) },
      { svg: PRINTED_BAR.svg, width: mm(PRINTED_BAR.widthMm), margin: [0, mm(3), 0, 0] },
      {
        text: `Printed at full size this bar is ${PRINTED_BAR.mm} mm long. If it is not, print again without fitting to the page.`,
        fontSize: 8,
        margin: [0, 0, 0, mm(3)],
      },
      { text: 'By hand', bold: true },
      { ol: byHand(family, boxMm[2]), fontSize: 9 },
    ],
  });
}
