import type { Content, TableCell } from 'pdfmake';
import { screwPicture } from '@/core/teardown/tray';
import { mm, pdf, type Ruled } from '@/edge/pdf';
import type { Label } from './labels';
import { PAPERS, type Paper, type PaperName } from './papers';

const PADDING_MM = 2;
const CODE_MM = 20;
const SCREW_COLUMN_MM = 11;

/** Labels on the paper that is at hand. */
export function labelsPdf(labels: readonly Label[], paperName: PaperName, origin: string): Promise<Buffer> {
  const { pageMm, labelMm, columns, rows }: Paper = PAPERS[paperName];
  const scale = commonScale(labels, labelMm.height);
  const cells = labels.map((label) => labelCell(label, labelMm, origin, scale));
  const body: TableCell[][] = [];
  for (let at = 0; at < cells.length; at += columns)
    body.push(Array.from({ length: columns }, (_, i) => cells[at + i] ?? ''));
  const pages: Content[] = [];
  for (let at = 0; at < body.length; at += rows)
    pages.push({
      table: {
        widths: new Array<number>(columns).fill(mm(labelMm.width)),
        heights: mm(labelMm.height),
        body: body.slice(at, at + rows),
      },
      layout: (paperName === 'roll62' ? 'uncut' : 'cut lines') satisfies Ruled,
      ...(at > 0 && { pageBreak: 'before' as const }),
    });
  const aside = (pageMm.width - columns * labelMm.width) / 2;
  const above = (pageMm.height - rows * labelMm.height) / 2;
  return pdf({
    info: { title: 'Labels' },
    pageSize: { width: mm(pageMm.width), height: mm(pageMm.height) },
    // A hair less below, so that rounding never pushes the last row onto a page of its own.
    pageMargins: [mm(aside), mm(above), mm(aside), Math.max(0, mm(above) - 4)],
    defaultStyle: { fontSize: 8, lineHeight: 1.1 },
    content: pages,
  });
}

function labelCell(
  { tag, title, words, lot, path }: Label,
  { width }: { width: number; height: number },
  origin: string,
  scale: number,
): TableCell {
  const screw = lot ? [lot.thing === 'screw' ? screwColumn(lot, scale) : { width: mm(SCREW_COLUMN_MM), text: '' }] : [];
  const room = width - 2 * PADDING_MM - CODE_MM - (lot ? SCREW_COLUMN_MM : 0) - 4;
  return {
    margin: [mm(PADDING_MM), mm(PADDING_MM), mm(PADDING_MM), 0],
    columnGap: mm(2),
    columns: [
      { width: mm(CODE_MM), qr: `${origin}${path}`, fit: mm(CODE_MM), eccLevel: 'M' },
      {
        width: mm(room),
        stack: [{ text: tag, bold: true, fontSize: tag.length > 12 ? 12 : 15 }, { text: title, bold: true }, ...words],
      },
      ...screw,
    ],
  };
}

/** One scale for all screws of a sheet, for they lie side by side: true size where every label has room, else half, else what fits. */
function commonScale(labels: readonly Label[], labelHeightMm: number): number {
  const room = labelHeightMm - 2 * PADDING_MM - 5;
  const fits = labels.flatMap(({ lot }) => {
    if (lot?.thing !== 'screw') return [];
    const { widthMm, heightMm } = screwPicture(lot);
    return [Math.min(room / heightMm, SCREW_COLUMN_MM / widthMm)];
  });
  const most = Math.min(1, ...fits);
  return most === 1 || most < 0.5 ? most : 0.5;
}

function screwColumn(lot: NonNullable<Label['lot']>, scale: number) {
  const { svg, widthMm } = screwPicture(lot);
  return {
    width: mm(SCREW_COLUMN_MM),
    stack: [
      { svg, width: mm(widthMm * scale), alignment: 'center' as const },
      {
        text: scale === 1 ? '1:1' : scale === 0.5 ? '1:2' : 'small',
        fontSize: 6,
        alignment: 'center' as const,
        color: '#555555',
      },
    ],
  };
}
