import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';

export const SHANKS = ['straight', 'tapered'] as const;

/** A screw in a plastic boss. */
export interface BossAndScrew {
  /** Outer diameter of the boss, and its hole as it is now. */
  bossMm: number;
  holeMm: number;
  /** Over the thread, at its root, and from turn to turn. */
  threadMm: number;
  coreMm: number;
  pitchMm: number;
  shank: (typeof SHANKS)[number];
  /** How long its thread is in the plastic. */
  engagedMm: number;
  /** Of the plastic, in shear: old plastic bears less than new. */
  shearMPa: number;
  friction: number;
}

export interface Screwed {
  /** How much of the thread’s depth bites, 0 to 1. */
  bite: number;
  wallMm: number;
  /** Pull that tears the thread out, N. */
  pullOutN: number;
  /** Torque at which it strips, and where to stop, N·cm: what a hand with a small driver feels. */
  stripsNcm: number;
  stopNcm: number;
  verdict: 'holds' | 'spins' | 'bursts' | 'weak';
}

/**
 * Whether a screw holds in its boss, and the torque at which the old plastic strips: the thread bites into a cylinder as
 * wide as itself, sheared along it; torque from pull by the law of the screw. A tapered shank bites along its upper part
 * only.
 *
 * @throws Refusal for a hole that is wider than its boss, or a root that is wider than the thread
 */
export function bossAndScrew(given: BossAndScrew): Screwed {
  const { bossMm, holeMm, threadMm, coreMm, pitchMm, shank, engagedMm, shearMPa, friction } = given;
  if (holeMm >= bossMm)
    throw new Refusal('holeMm', `A hole of ${holeMm} mm leaves nothing of a boss of ${bossMm} mm. Measure both again.`);
  if (coreMm >= threadMm)
    throw new Refusal('coreMm', `The root of a thread is thinner than the thread: below ${threadMm} mm.`);
  const bite = Math.min(1, Math.max(0, (threadMm - holeMm) / (threadMm - coreMm)));
  const wallMm = (bossMm - threadMm) / 2;
  const along = engagedMm * (shank === 'tapered' ? assumed('length that a taper bites') : 1);
  const pullOutN = Math.PI * threadMm * along * shearMPa * assumed('share of a thread in plastic') * bite;
  const mid = (threadMm + coreMm) / 2;
  const lever = (mid / 2) * ((pitchMm + Math.PI * friction * mid) / (Math.PI * mid - friction * pitchMm));
  const stripsNcm = (pullOutN * lever) / 10;
  const verdict =
    bite < assumed('thread spins under')
      ? 'spins'
      : wallMm < assumed('wall of a boss') * threadMm
        ? 'bursts'
        : bite < assumed('thread holds from')
          ? 'weak'
          : 'holds';
  return { bite, wallMm, pullOutN, stripsNcm, stopNcm: stripsNcm * assumed('stop before it strips'), verdict };
}
