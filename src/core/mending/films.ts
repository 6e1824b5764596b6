/** What a display shows between two polarising films. */
export interface Seen {
  /** Share of the light that comes through where a segment is off, and where it is on. */
  off: number;
  on: number;
  /** From −1, light digits on dark, to 1, dark digits on light. */
  contrast: number;
}

/**
 * Light through a twisted display between two films: a cell that is off turns the light’s plane by a quarter, one that is
 * on leaves it, and the upper film lets through cos² of the angle that is left (Malus).
 *
 * @param angleDeg between the directions of the two films
 * @example
 * seenThrough(90); // { off: 1, on: 0, contrast: 1 }
 */
export function seenThrough(angleDeg: number): Seen {
  const on = Math.cos((angleDeg * Math.PI) / 180) ** 2;
  const rounded = Math.round(on * 1e12) / 1e12;
  return { off: 1 - rounded, on: rounded, contrast: 1 - 2 * rounded };
}

/** What the eye calls it. */
export type Look = 'dark on light' | 'light on dark' | 'hardly to be read';

/** Under this contrast nobody reads digits well. */
const READABLE = 0.5;

export const lookThrough = ({ contrast }: Seen): Look =>
  Math.abs(contrast) < READABLE ? 'hardly to be read' : contrast > 0 ? 'dark on light' : 'light on dark';
