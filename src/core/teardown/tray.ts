/** A sorting tray of the user's own: a grid of cells. */
export interface TrayShape {
  columns: number;
  rows: number;
}

/** What a cell is called: letters for rows, numbers for columns, as one writes on tape. */
export function cellName(cell: number, { columns }: TrayShape): string {
  return `${String.fromCharCode(65 + Math.floor(cell / columns))}${(cell % columns) + 1}`;
}

/**
 * The next cell for a lot: the first free one after the last that was filled, so that the tray reads in the
 * order of teardown; those left free earlier come when the end is reached.
 *
 * @param taken cells in the order they were filled
 * @returns the cell, or `null` where the tray is full
 */
export function nextCell(taken: readonly number[], { columns, rows }: TrayShape): number | null {
  const count = columns * rows;
  const last = taken[taken.length - 1] ?? -1;
  for (let step = 1; step <= count; step++) {
    const cell = (last + step) % count;
    if (!taken.includes(cell)) return cell;
  }
  return null;
}

/** Outline of a screw seen from the side, mm from the top left of its head; at true proportion. */
export interface ScrewShape {
  headWidthMm: number;
  headHeightMm: number;
  shankWidthMm: number;
  lengthMm: number;
  /** Width at the tip, less than the shank where it is tapered. */
  tipWidthMm: number;
  /** Places of the thread's lines along the shank. */
  threadMm: number[];
}

const HEAD_WIDTH = 1.9;
const HEAD_HEIGHT = 0.6;
const PITCH = 0.4;

/** The shape that the tray draws: a head about twice as wide as the shank, and the shank at its true length. */
export function screwShape({
  diameterMm,
  lengthMm,
  shank,
  head,
}: {
  diameterMm: number;
  lengthMm: number;
  shank: string;
  head: string;
}): ScrewShape {
  const pitch = Math.max(0.5, diameterMm * PITCH);
  const lines = Math.floor((0.9 * lengthMm) / pitch);
  return {
    headWidthMm: head === 'none' ? diameterMm : diameterMm * HEAD_WIDTH,
    headHeightMm: head === 'none' ? 0 : diameterMm * HEAD_HEIGHT,
    shankWidthMm: diameterMm,
    lengthMm,
    tipWidthMm: shank === 'tapered' ? diameterMm * 0.15 : diameterMm,
    threadMm: Array.from({ length: lines }, (_, i) => lengthMm - (i + 0.5) * pitch),
  };
}

/** Outline of the shank as an SVG path, `centre` mm from the left: straight to three fifths of its length, then to the tip. */
export function shankPath({ headHeightMm, shankWidthMm, lengthMm, tipWidthMm }: ScrewShape, centre: number): string {
  const x = (offset: number) => centre + offset;
  const [narrowAt, end] = [headHeightMm + lengthMm * 0.6, headHeightMm + lengthMm];
  return `M${x(-shankWidthMm / 2)} ${headHeightMm} V${narrowAt} L${x(-tipWidthMm / 2)} ${end} H${x(tipWidthMm / 2)} L${x(shankWidthMm / 2)} ${narrowAt} V${headHeightMm} Z`;
}

/** A fastener as a picture for paper, with its size in mm. */
export function screwPicture(screw: Parameters<typeof screwShape>[0]): {
  svg: string;
  widthMm: number;
  heightMm: number;
} {
  const shape = screwShape(screw);
  const widthMm = Math.max(shape.headWidthMm, shape.shankWidthMm) + 1;
  const heightMm = shape.headHeightMm + shape.lengthMm;
  const head = `<rect x="${(widthMm - shape.headWidthMm) / 2}" y="0" width="${shape.headWidthMm}" height="${shape.headHeightMm}" rx="${shape.headHeightMm / 3}"/>`;
  const threads = shape.threadMm.map((at) => {
    const y = shape.headHeightMm + at;
    const [left, right] = [(widthMm - shape.shankWidthMm) / 2, (widthMm + shape.shankWidthMm) / 2];
    return `<line x1="${left}" x2="${right}" y1="${y}" y2="${y - shape.shankWidthMm * 0.2}" stroke="#fff" stroke-width="0.25"/>`;
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthMm} ${heightMm}"><g fill="#333">${head}<path d="${shankPath(shape, widthMm / 2)}"/></g>${threads.join('')}</svg>`;
  return { svg, widthMm, heightMm };
}
