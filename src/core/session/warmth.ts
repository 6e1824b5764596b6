import type { Place } from '../sun/day';
import { lightPast, skyShare, type Obstacle } from '../sun/horizon';
import { sunPosition } from '../sun/position';
import type { Band } from '../fade/fade';
import { HOTTEST_BATH_C } from '../fade/dose';
import type { School } from './schools';

/**
 * What lies in the sun, as one body that takes in light and gives off warmth: absorbed share of what the cover lets
 * through, loss to the air in W/m²K (wind and glow together), and heat held in J/m²K for each square metre in the light.
 */
interface Body {
  takenIn: number;
  lossWm2K: number;
  heldJm2K: number;
}

/** Pale plastic 3 mm thick takes in about a third of the sun; water 150 mm deep over it nearly two thirds. */
const PLASTIC_HELD = 1050 * 1400 * 0.003;
const WATER_HELD = 4186 * 1000 * 0.15;
const BODIES: Record<School['solution'] | 'film', Body> = {
  film: { takenIn: 0.9 * 0.35, lossWm2K: 11, heldJm2K: PLASTIC_HELD + 0.001 * 4.1e6 },
  bag: { takenIn: 0.85 * 0.45, lossWm2K: 12, heldJm2K: 0.015 * 4.186e6 },
  bath: { takenIn: 0.6, lossWm2K: 20, heldJm2K: WATER_HELD },
  pool: { takenIn: 0.8 * 0.6, lossWm2K: 8, heldJm2K: 0.012 * 4.186e6 },
};
/** Wind and colour make of the rise over the air something between so much less and so much more. */
const SURE = { low: 0.65, high: 1.4 } as const;
/** A reading narrows that to what one thermometer and passing clouds leave. */
const READ_SURE = { low: 0.88, high: 1.14 } as const;
const STEP_MIN = 5;
const RAD = Math.PI / 180;

/** The sun on level ground, W/m², through cloud: Haurwitz (1945) for a clear sky, Kasten and Czeplak (1980) for cloud. */
export function sunOnGround(elevationDeg: number, cloudFraction: number): number {
  const sine = Math.sin(elevationDeg * RAD);
  if (sine <= 0) return 0;
  return 1098 * sine * Math.exp(-0.057 / sine) * (1 - 0.75 * cloudFraction ** 3.4);
}

export interface WarmthInput {
  school: School;
  place: Place;
  shading: readonly Obstacle[];
  start: Date;
  durationMin: number;
  cloudFraction: number;
  airC: number;
  /** What was read while it ran, the newest last. */
  readings?: readonly { at: string; temperatureC: number }[];
}

export interface Warmth {
  /** Every five minutes. */
  course: { at: string; c: Band }[];
  hottest: { at: string; c: Band };
  /** First time that it may be over the limit; `null` where it stays under. */
  overAt: string | null;
  limitC: number;
  /** What was read changed what is to be expected. */
  read: boolean;
}

/** Middle of the rise over the air, minute by minute, as one body heated and cooled. */
function rises({ school, place, shading, start, durationMin, cloudFraction }: WarmthInput): number[] {
  const { takenIn, lossWm2K, heldJm2K } = BODIES[school.medium === 'cream' ? 'film' : school.solution];
  const sky = skyShare(shading);
  let rise = 0;
  return Array.from({ length: Math.floor(durationMin / STEP_MIN) + 1 }, (_, i) => {
    const at = new Date(start.getTime() + i * STEP_MIN * 60_000);
    const sun = sunPosition(at, place.latitude, place.longitude);
    // About a fifth of a clear day's warmth comes from the whole sky, all of it under cloud.
    const diffuse = Math.min(1, 0.2 + 0.8 * cloudFraction);
    const settled =
      (sunOnGround(sun.elevationDeg, cloudFraction) * lightPast(shading, sky, sun, diffuse) * takenIn) / lossWm2K;
    if (i > 0) rise = settled + (rise - settled) * Math.exp((-STEP_MIN * 60 * lossWm2K) / heldJm2K);
    return rise;
  });
}

/**
 * How warm it gets: an estimate from sun and air with one body that is heated and cools; a reading scales what the
 * sun adds from there on. The coefficients are workshop guesses within handbook ranges; a thermometer outweighs them.
 */
export function warmthInSun(input: WarmthInput): Warmth {
  const { start, airC, readings = [] } = input;
  const rise = rises(input);
  const newest = readings[readings.length - 1];
  const readAt = newest ? Math.round((Date.parse(newest.at) - start.getTime()) / (STEP_MIN * 60_000)) : -1;
  const modelled = rise[Math.min(rise.length - 1, Math.max(0, readAt))] ?? 0;
  // In the first minutes there is no rise yet that a reading could be held against.
  const read = newest !== undefined && modelled > 2;
  const scale = read ? Math.max(0, newest.temperatureC - airC) / modelled : 1;
  const sure = read ? READ_SURE : SURE;
  const course = rise.map((value, i) => ({
    at: new Date(start.getTime() + i * STEP_MIN * 60_000).toISOString(),
    c: { low: airC + sure.low * scale * value, median: airC + scale * value, high: airC + sure.high * scale * value },
  }));
  const hottest = course.reduce((most, one) => (one.c.high > most.c.high ? one : most), course[0]!);
  return {
    course,
    hottest,
    overAt: course.find(({ c }) => c.high > HOTTEST_BATH_C)?.at ?? null,
    limitC: HOTTEST_BATH_C,
    read,
  };
}
