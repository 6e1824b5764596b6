import { assumed } from '../../assumptions/assumptions';
import { bossAndScrew } from '../bossAndScrew';
import { pinInStub } from '../pinInStub';
import type { Damage, Load } from './damage';
import { strengthOn, type GlueName } from './glues';

/** What pulls at a place that does so much, N. */
export function loadOf({ load, loadN }: Pick<Damage, 'load' | 'loadN'>): number {
  return loadN ?? assumed(USUAL_LOAD[load]);
}

const USUAL_LOAD = {
  nothing: 'load: nothing',
  'held by hand': 'load: held by hand',
  snaps: 'load: snaps',
  'carries the lid': 'load: carries the lid',
  hinge: 'load: hinge',
  screw: 'load: screw',
} as const satisfies Record<Load, string>;

/** What a joint bears and why, against what pulls at it. */
export interface Held {
  capacityN: number;
  loadN: number;
  /** Capacity over load. */
  factor: number;
  /** Chance that it bears its load, by the spread of strengths and loads. */
  odds: number;
  /** What gives way first. */
  gives: 'glue' | 'old plastic' | 'pin' | 'thread';
  /** How it was worked out, a line each. */
  working: string[];
}

/** Φ, the share of a normal law below z (Abramowitz and Stegun 26.2.17, good to 7.5e-8). */
export function shareBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

/** Chance that a capacity bears a load, both spread evenly in their logarithms. */
export function oddsToHold(capacityN: number, loadN: number): number {
  if (capacityN <= 0) return 0;
  const spread = Math.hypot(assumed('spread of a joint'), assumed('spread of a load'));
  return shareBelow(Math.log(capacityN / loadN) / spread);
}

const held = (
  gives: Held['gives'],
  capacityN: number,
  damage: Pick<Damage, 'load' | 'loadN'>,
  working: string[],
): Held => {
  const loadN = loadOf(damage);
  return { capacityN, loadN, factor: capacityN / loadN, odds: oddsToHold(capacityN, loadN), gives, working };
};

const n = (value: number, digits = 0) => value.toFixed(digits);

/** The weaker of what is glued and the old plastic beside it. */
function weaker(damage: Damage, gluedN: number, beyondMm: number, working: string[]): Held {
  const { lengthMm, wallMm, pull, armMm } = damage;
  const bears = assumed('old plastic bears');
  const arm = Math.max(2, armMm - beyondMm);
  const plasticN = pull === 'along' ? bears * lengthMm * wallMm : (bears * lengthMm * wallMm * wallMm) / (6 * arm);
  const line =
    pull === 'along'
      ? `old plastic beside it: ${bears} MPa × ${lengthMm} × ${wallMm} mm = ${n(plasticN)} N`
      : `old plastic beside it, bent: ${bears} MPa × ${lengthMm} × ${wallMm}² ÷ (6 × ${n(arm)} mm) = ${n(plasticN)} N`;
  return gluedN <= plasticN
    ? held('glue', gluedN, damage, [...working, line])
    : held('old plastic', plasticN, damage, [...working, line]);
}

/** Of what a face bears in shear, so much of it bears prying: a tenth at most, less the thinner the wall and the longer the arm. */
const pryingShare = ({ wallMm, armMm }: Damage) => Math.min(assumed('peel of shear'), wallMm / (6 * armMm));

/** Of what glue bears once, so much is left where it is moved again and again: brittle joints tire. */
const tired = ({ load }: Damage) => (load === 'hinge' || load === 'snaps' ? assumed('moved again and again') : 1);
const tiredWords = (share: number) => (share < 1 ? ` × ${share}, moved again and again` : '');

/** The faces of the break, glued to one another. */
export function facesGlued(damage: Damage, glue: GlueName): Held {
  const { lengthMm, wallMm, pull, plastic } = damage;
  const strength = strengthOn(glue, plastic);
  const share = pull === 'along' ? 1 : pryingShare(damage);
  const bearsN = lengthMm * wallMm * strength * share * tired(damage);
  return weaker(damage, bearsN, 0, [
    `faces: ${lengthMm} × ${wallMm} mm × ${n(strength, 1)} MPa${share < 1 ? ` × ${n(share, 3)}, pried open` : ''}${tiredWords(tired(damage))} = ${n(bearsN)} N`,
  ]);
}

/** The faces glued, and putty or a plate laid over them from behind. */
export function backed(damage: Damage, face: GlueName, back: GlueName): Held {
  const { lengthMm, wallMm, behindMm, armMm, pull, plastic } = damage;
  const faces = facesGlued(damage, face);
  const strength = strengthOn(back, plastic);
  // Pried open, it pulls on a lever as long as the wall is thick.
  const lever = pull === 'along' ? 1 : Math.min(1, wallMm / armMm);
  const share = pull === 'along' ? 1 : pryingShare(damage);
  const facesN = lengthMm * wallMm * strengthOn(face, plastic) * share * tired(damage);
  const behindN = lengthMm * behindMm * strength * lever * tired(damage);
  return weaker(damage, facesN + behindN, behindMm, [
    faces.working[0]!,
    `behind: ${lengthMm} × ${behindMm} mm × ${n(strength, 1)} MPa${lever < 1 ? ` × ${n(lever, 2)}, by its lever` : ''}${tiredWords(tired(damage))} = ${n(behindN)} N`,
  ]);
}

/** A stub drilled and pinned in metal; `null` where nobody measured it. @throws Refusal for one that is too thin */
export function pinned(
  damage: Damage,
): (Held & { pinMm: number; drillMm: number; depthMm: number; wallMm: number; splits: boolean }) | null {
  const { stubMm, deepMm, armMm } = damage;
  if (stubMm === null || deepMm === null) return null;
  const { pinMm, drillMm, depthMm, wallMm, splits, allowableN, limit } = pinInStub({
    ...{ stubMm, deepestMm: deepMm, pinMm: null, loadN: loadOf(damage), armMm: Math.min(armMm, 3 * stubMm) },
    ...{ bearingMPa: assumed('old plastic bears'), bendingMPa: 250, safetyFactor: 1 },
  });
  const working = [
    `pin of ${pinMm} mm, hole of ${n(drillMm, 1)} mm, ${n(depthMm, 1)} mm deep: ${n(wallMm, 1)} mm of wall left round it`,
    `${limit === 'pin' ? 'the pin bends' : 'the plastic gives'} at ${n(allowableN)} N`,
  ];
  return {
    ...held(limit === 'pin' ? 'pin' : 'old plastic', splits ? 0 : allowableN, damage, working),
    ...{ pinMm, drillMm, depthMm, wallMm, splits },
  };
}

/** Usual threads for plastic: root and pitch from what is measured over the thread. */
const THREAD = { core: 0.68, pitch: 0.42 };

/** What the screw pulls out at in a hole of a size, in plastic or in what the hole was filled with. */
export function screwed(damage: Damage, filled: GlueName | null, sleeved = false): Held | null {
  const { bossMm, holeMm, engagedMm, screwMm } = damage;
  if (bossMm === null || holeMm === null || engagedMm === null || screwMm === null) return null;
  const coreMm = THREAD.core * screwMm;
  // A filled hole is drilled anew, so that most of the thread bites.
  const hole = filled ? coreMm + 0.25 * (screwMm - coreMm) : holeMm;
  const shearMPa = filled ? strengthOn(filled, damage.plastic) : assumed('old plastic bears') * 0.6;
  const { pullOutN, stripsNcm, stopNcm, verdict } = bossAndScrew({
    ...{ bossMm: sleeved ? bossMm + 3 : bossMm, holeMm: Math.min(hole, bossMm - 0.1), threadMm: screwMm, coreMm },
    ...{ pitchMm: THREAD.pitch * screwMm, shank: 'straight', engagedMm, shearMPa, friction: 0.25 },
  });
  const bears = verdict === 'spins' || verdict === 'bursts' ? 0 : pullOutN;
  return held('thread', bears, damage, [
    `hole of ${n(hole, 1)} mm, thread of ${screwMm} mm over ${engagedMm} mm: ${verdict === 'bursts' ? 'the boss bursts' : verdict === 'spins' ? 'the thread spins' : `pulls out at ${n(pullOutN)} N`}`,
    ...(bears > 0 ? [`strips at ${n(stripsNcm)} N·cm: stop at ${n(stopNcm)} N·cm`] : []),
  ]);
}
