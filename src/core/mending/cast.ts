import { Refusal } from '../refusal';

/** Two parts that are stirred together. */
interface Mix {
  partsA: number;
  partsB: number;
  by: 'mass' | 'volume';
  /** Needed where it is mixed by volume. */
  aGPerCm3?: number;
  bGPerCm3?: number;
}

export interface Cast {
  /** Inner length, width and height of the box that the mould is poured in. */
  boxMm: readonly [number, number, number];
  partCm3: number;
  siliconeGPerCm3: number;
  resinGPerCm3: number;
  siliconeMix: Mix;
  resinMix: Mix;
  /** Of the resin’s mass, on top of it. */
  pigmentPercent: number;
}

/** What stays in cup and mould. */
const SILICONE_MORE = 1.1;
const RESIN_MORE = 1.15;

/** How a mass is split between the two parts of a mix. @throws Refusal for a mix by volume whose densities are not known */
function split(massG: number, mix: Mix, field: string): [number, number] {
  const { partsA, partsB, by, aGPerCm3, bGPerCm3 } = mix;
  if (by === 'volume' && (aGPerCm3 === undefined || bGPerCm3 === undefined))
    throw new Refusal(
      `${field}.aGPerCm3`,
      'A mix by volume is weighed only with the density of both parts: take them from the sheet.',
    );
  const [a, b] = by === 'mass' ? [partsA, partsB] : [partsA * aGPerCm3!, partsB * bGPerCm3!];
  return [(massG * a) / (a + b), (massG * b) / (a + b)];
}

/**
 * Silicone and resin for a mould and one cast of it, each in its two parts.
 *
 * @returns masses in g
 * @throws Refusal for a part that does not fit its box
 */
export function mouldAndCast(cast: Cast): {
  siliconeG: number;
  siliconeAG: number;
  siliconeBG: number;
  resinG: number;
  resinAG: number;
  resinBG: number;
  pigmentG: number;
} {
  const { boxMm, partCm3, siliconeGPerCm3, resinGPerCm3, siliconeMix, resinMix, pigmentPercent } = cast;
  const boxCm3 = (boxMm[0] * boxMm[1] * boxMm[2]) / 1000;
  if (partCm3 >= boxCm3)
    throw new Refusal(
      'partCm3',
      `A part of ${partCm3} cm³ does not fit a box of ${Number(boxCm3.toFixed(1))} cm³. Take a larger box, with a finger’s breadth round the part.`,
    );
  const siliconeG = (boxCm3 - partCm3) * siliconeGPerCm3 * SILICONE_MORE;
  const resinG = partCm3 * resinGPerCm3 * RESIN_MORE;
  const [siliconeAG, siliconeBG] = split(siliconeG, siliconeMix, 'siliconeMix');
  const [resinAG, resinBG] = split(resinG, resinMix, 'resinMix');
  return { siliconeG, siliconeAG, siliconeBG, resinG, resinAG, resinBG, pigmentG: (resinG * pigmentPercent) / 100 };
}

/** The inside of a box that leaves so much round a part on every side, mm. */
export const boxAround = ([l, w, h]: readonly [number, number, number], wallMm: number): [number, number, number] => [
  l + 2 * wallMm,
  w + 2 * wallMm,
  h + 2 * wallMm,
];

/**
 * Whether a pot may be put under pressure.
 *
 * @throws Refusal above its rating, or for a pot whose rating nobody knows
 */
export function checkPot(bar: number, ratedBar: number | null): void {
  if (bar <= 0) return;
  if (ratedBar === null)
    throw new Refusal('ratedBar', 'Without the rating on its plate no pot is put under pressure: cast it without.');
  if (bar > ratedBar)
    throw new Refusal(
      'bar',
      `${bar} bar is more than the pot is rated for, ${ratedBar} bar. It can burst: stay below.`,
    );
}
