import { Refusal } from '../refusal';

/** A test bar of 100 mm with a pin and a hole of 10 mm, as it came out of the printer, and what is to be printed. */
export interface PrintFit {
  barMm: number;
  pinMm: number;
  holeMm: number;
  /** The hole that a printed pin goes into, as it was measured, and how much wider than the pin it is to be. */
  intoMm: number;
  clearanceMm: number;
}

export interface Fitted {
  /** What the printer makes of a millimetre, and how much wider it draws everything, mm across. */
  shrink: number;
  growMm: number;
  /** How far the three sizes lie off these two numbers, mm. */
  restMm: number;
  /** What the slicer is told, per cent. */
  scalePercent: number;
  /** The pin as it is drawn so that it comes out with its clearance. */
  drawPinMm: number;
  /** A hole that is to come out as wide as the one it stands for. */
  drawHoleMm: number;
}

const BAR_MM = 100;
const ROUND_MM = 10;
/** More than this is no printer’s error but another drawing, or inches. */
const MOST_SHRINK = 0.05;
const MOST_GROW_MM = 1;

/**
 * What a printer does to sizes, by a bar, a pin and a hole of known size: outer sizes come out as s · size + o, holes as
 * s · size − o. Least squares through the three.
 *
 * @throws Refusal for a bar that is not the test bar
 */
export function printFit({ barMm, pinMm, holeMm, intoMm, clearanceMm }: PrintFit): Fitted {
  const rows = [
    [BAR_MM, 1, barMm],
    [ROUND_MM, 1, pinMm],
    [ROUND_MM, -1, holeMm],
  ] as const;
  const sum = (of: (row: (typeof rows)[number]) => number) => rows.reduce((all, row) => all + of(row), 0);
  const [aa, ab, bb] = [sum(([a]) => a * a), sum(([a, b]) => a * b), sum(([, b]) => b * b)];
  const [ay, by] = [sum(([a, , y]) => a * y), sum(([, b, y]) => b * y)];
  const det = aa * bb - ab * ab;
  const shrink = (bb * ay - ab * by) / det;
  const growMm = (aa * by - ab * ay) / det;
  if (Math.abs(shrink - 1) > MOST_SHRINK || Math.abs(growMm) > MOST_GROW_MM)
    throw new Refusal(
      'barMm',
      `By these sizes the printer makes ${(100 * shrink).toFixed(1)} % of everything, and ${growMm.toFixed(2)} mm more. A bar of 100 mm, a pin and a hole of 10 mm come out nearer: measure them again, in mm.`,
    );
  if (clearanceMm >= intoMm)
    throw new Refusal('clearanceMm', `A clearance of ${clearanceMm} mm leaves no pin in a hole of ${intoMm} mm.`);
  return {
    ...{ shrink, growMm, scalePercent: 100 / shrink },
    restMm: Math.sqrt(sum(([a, b, y]) => (a * shrink + b * growMm - y) ** 2) / rows.length),
    drawPinMm: (intoMm - clearanceMm - growMm) / shrink,
    drawHoleMm: (intoMm + growMm) / shrink,
  };
}
