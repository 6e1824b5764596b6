import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';

/** A hinge stub that is drilled and pinned in metal: glue alone does not hold one. */
export interface StubAndPin {
  /** Diameter of the stub. */
  stubMm: number;
  /** How deep it can be drilled before it comes out, or into something else. */
  deepestMm: number;
  /** The pin that is there; without it the thickest usual one that leaves the wall. */
  pinMm: number | null;
  /** Pull across the pin, and how far outside of the stub it pulls. */
  loadN: number;
  armMm: number;
  /** What the old plastic bears where the pin presses on it. */
  bearingMPa: number;
  /** What the metal bears in bending. */
  bendingMPa: number;
  safetyFactor: number;
}

/** Pins and rods as they are sold, mm. */
const USUAL_PINS = [1, 1.5, 2, 2.5, 3, 4, 5, 6] as const;

export interface Pinned {
  pinMm: number;
  /** The hole: the pin and a film of glue round it. */
  drillMm: number;
  depthMm: number;
  wallMm: number;
  /** Too little is left round the hole: the stub splits. */
  splits: boolean;
  /** Where the pin presses hardest on the plastic, and how far the metal is bent, with this load. */
  pressureMPa: number;
  bentMPa: number;
  /** What it may carry. */
  allowableN: number;
  limit: 'plastic' | 'pin';
  sufficient: boolean;
}

const wallOf = (stubMm: number, drillMm: number) => (stubMm - drillMm) / 2;
const drillOf = (pinMm: number) => pinMm + 2 * assumed('glue film round a pin');
const wallNeeded = (pinMm: number) => Math.max(assumed('least wall round a pin'), assumed('wall round a pin') * pinMm);
/** Lengths are sums of tenths: a hair less is as much. */
const isEnough = (wallMm: number, pinMm: number) => wallMm >= wallNeeded(pinMm) - 1e-9;

/**
 * A metal pin in a drilled stub: how thick, how deep, what wall is left, and what it carries. The pin presses on its hole as
 * a rigid rod does, evenly by its load and across its depth by the lever; the metal bends at the mouth of the hole.
 *
 * @throws Refusal for a stub that is too thin for any usual pin
 */
export function pinInStub(given: StubAndPin): Pinned {
  const { stubMm, deepestMm, loadN, armMm, bearingMPa, bendingMPa, safetyFactor } = given;
  const fits = (pin: number) => isEnough(wallOf(stubMm, drillOf(pin)), pin);
  const pinMm = given.pinMm ?? [...USUAL_PINS].reverse().find(fits);
  if (pinMm === undefined)
    throw new Refusal(
      'stubMm',
      `A stub of ${stubMm} mm is too thin for a pin of ${USUAL_PINS[0]} mm. Take a plate behind it, or a part with a metal stub.`,
    );
  const drillMm = drillOf(pinMm);
  const wallMm = wallOf(stubMm, drillMm);
  if (wallMm <= 0)
    throw new Refusal('pinMm', `A pin of ${pinMm} mm does not go into a stub of ${stubMm} mm. Take a thinner one.`);
  const depthMm = Math.min(deepestMm, assumed('depth of a pin') * pinMm);
  // Of one newton; both grow with the load.
  const pressure = (1 / (pinMm * depthMm)) * (1 + (6 * (armMm + depthMm / 2)) / depthMm);
  const bent = (32 * armMm) / (Math.PI * pinMm ** 3);
  const plasticN = bearingMPa / pressure / safetyFactor;
  const metalN = bent > 0 ? bendingMPa / bent / safetyFactor : Infinity;
  const allowableN = Math.min(plasticN, metalN);
  return {
    ...{ pinMm, drillMm, depthMm, wallMm },
    splits: !isEnough(wallMm, pinMm),
    pressureMPa: pressure * loadN,
    bentMPa: bent * loadN,
    allowableN,
    limit: plasticN <= metalN ? 'plastic' : 'pin',
    sufficient: allowableN >= loadN && isEnough(wallMm, pinMm),
  };
}
