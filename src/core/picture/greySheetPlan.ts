import { codeOfLinear } from '../colour/bulk';
import { labToLinear } from '../colour/lab';
import type { Srgb } from '../colour/types';
import type { Point, Rect } from './picture';

/**
 * The sheet of greys that Kvell prints: five greys from light to dark in a black frame on white paper. The frame is what
 * it is found by, the order of the greys tells which way it lies, and the dots below them which sheet it is.
 */
export const GREY_SHEET = {
  /** Outside of the frame, mm; so much white paper stays all round when it is cut out. */
  widthMm: 180,
  heightMm: 60,
  frameMm: 6,
  paperMm: 6,
  /** Lightness of the greys as they are sent to the printer, L*; what comes out is another, and is calibrated. */
  greys: [86, 72, 58, 44, 30],
} as const;

export const SQUARE = { width: 28, height: 30, top: 11, gap: 4, left: 12 };
/** Height of the row of dots, mm. */
export const DOT_Y = 47.5;
const DOT_RADIUS = 2.2;

/** Where each grey stands in the frame, mm from its upper left. */
export const greyBoxes: readonly Rect[] = GREY_SHEET.greys.map((_, i) => [
  SQUARE.left + i * (SQUARE.width + SQUARE.gap),
  SQUARE.top,
  SQUARE.width,
  SQUARE.height,
]);

/** Sheets can be told apart up to this number: one dot or none below each grey. */
export const MOST_SHEETS = 2 ** GREY_SHEET.greys.length - 1;

/** Middles of the dots that say a sheet's number, mm from the frame's upper left. */
export const dotsOf = (sheet: number): { at: Point; radiusMm: number }[] =>
  greyBoxes.flatMap(([x, , w], i) =>
    (sheet >> i) & 1 ? [{ at: [x + w / 2, DOT_Y] as Point, radiusMm: DOT_RADIUS }] : [],
  );

/** What a sheet's greys are, as far as they could be told; `null` for those too far from what the card holds. */
export type SheetGreys = (Srgb | null)[];

/** A sheet that was calibrated. */
export interface KnownSheet {
  number: number;
  greys: SheetGreys;
  /** When, ISO 8601. */
  at: string;
}

/** A sheet of greys as it lies in a picture. */
export interface FoundSheet {
  number: number;
  /** Outside of its frame, as the sheet counts its corners: the lightest grey at the first. */
  corners: readonly [Point, Point, Point, Point];
  /** Upright boxes well inside its greys, from the lightest on, pixels. */
  greys: Rect[];
}

/** The greys of a sheet in a picture whose colour is known, the lightest first. */
export function greysOf(sheet: FoundSheet | null, sheets: readonly KnownSheet[]): { rect: Rect; srgb: Srgb }[] {
  const known = sheet && sheets.find(({ number }) => number === sheet.number);
  return known ? known.greys.flatMap((srgb, i) => (srgb ? [{ rect: sheet.greys[i]!, srgb }] : [])) : [];
}

/** A grey as it is sent to the printer. */
export const printedGrey = (lightness: number): number => Math.round(codeOfLinear(labToLinear([lightness, 0, 0])[1]));
