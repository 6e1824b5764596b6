import { assumed } from '../assumptions/assumptions';
import { sunDose, sunOver, type Place } from '../sun/day';
import { lightPast, skyShare, type Obstacle } from '../sun/horizon';
import { diffuseShare } from '../sun/uvIndex';

const HOUR_MS = 3_600_000;
const STEP_MIN = 15;

/** Hours that somebody is there, as instants. */
export interface Hours {
  from: Date;
  to: Date;
}

/** Cloud of one hour: the instant that it begins, and the covered share of the sky. */
export interface CloudHour {
  at: Date;
  cloud: number;
  /** Looked at, or given in a file; of any other hour nobody knows. */
  own?: boolean;
}

/** Where the sky of the coming hours comes from: looks and files of the workshop, and for every other hour the stand-in that ships with Kvell. */
export type SkySource = (place: Place, from: Date, hours: number) => Promise<CloudHour[]>;

interface PlannedSession {
  from: string;
  to: string;
  /** UVI·h through the cover. */
  dose: number;
}

export interface SessionPlan {
  sessions: PlannedSession[];
  /** Dose of all of them. */
  dose: number;
  /** Whether that is what was asked for. */
  enough: boolean;
  /** What every day could give. */
  days: (PlannedSession & { chosen: boolean })[];
}

/** A quarter of an hour: when it begins, and what it brings, UVI·h. */
interface Quarter {
  at: number;
  dose: number;
}

export interface SessionsInput {
  place: Place;
  shading: readonly Obstacle[];
  hours: readonly Hours[];
  clouds: readonly CloudHour[];
  transmission: number;
  /** UVI·h that are still needed. */
  doseToGo: number;
  /** Longest that one session should be. */
  longestMin: number;
  /** What each of the hours brings with nothing over the piece, where it was worked out already: see `openLight`. */
  light?: readonly (readonly Quarter[])[];
}

/** What the sun brings in each of somebody's hours to a piece that lies open: the same for every cover. */
export const openLight = (sun: Pick<SessionsInput, 'place' | 'shading' | 'clouds' | 'hours'>): Quarter[][] =>
  sun.hours.map((hours) => quarters({ ...sun, transmission: 1 }, hours));

/** Hours by their beginning, where all begin at the same minute: a fortnight is asked for its cloud many hundred times. */
const BY_HOUR = new WeakMap<readonly CloudHour[], { offset: number; hours: Map<number, number> } | null>();

function byHour(clouds: readonly CloudHour[]) {
  let found = BY_HOUR.get(clouds);
  if (found === undefined) {
    const offset = clouds.length > 0 ? clouds[0]!.at.getTime() % HOUR_MS : 0;
    const isEven = clouds.every(({ at }) => at.getTime() % HOUR_MS === offset);
    // Of two for one hour the first counts.
    found = isEven
      ? { offset, hours: new Map([...clouds].reverse().map(({ at, cloud }) => [at.getTime(), cloud])) }
      : null;
    BY_HOUR.set(clouds, found);
  }
  return found;
}

/** Cloud at an instant: of the hour that it lies in; half the sky where nobody knows. */
export function cloudAt(clouds: readonly CloudHour[], time: Date): number {
  const at = time.getTime();
  const even = byHour(clouds);
  const cloud = even
    ? even.hours.get(Math.floor((at - even.offset) / HOUR_MS) * HOUR_MS + even.offset)
    : clouds.find((hour) => at >= hour.at.getTime() && at < hour.at.getTime() + HOUR_MS)?.cloud;
  return cloud ?? 0.5;
}

/** Dose of each quarter of an hour of somebody's hours. */
export function quarters(
  { place, shading, clouds, transmission }: Pick<SessionsInput, 'place' | 'shading' | 'clouds' | 'transmission'>,
  { from, to }: Hours,
): Quarter[] {
  const sky = skyShare(shading);
  const sunAt = sunOver(place);
  const found: Quarter[] = [];
  for (let at = from.getTime(); at + STEP_MIN * 60_000 <= to.getTime(); at += STEP_MIN * 60_000) {
    const middle = new Date(at + (STEP_MIN * 60_000) / 2);
    const cloud = cloudAt(clouds, middle);
    const sun = sunAt(middle, cloud);
    found.push({
      at,
      dose:
        (sun.uvIndex * lightPast(shading, sky, sun, diffuseShare(sun.elevationDeg, cloud)) * transmission * STEP_MIN) /
        60,
    });
  }
  return found;
}

/** The stretch of at most so many quarters with the most dose. */
function bestStretch(of: readonly Quarter[], most: number): { start: number; count: number; dose: number } {
  let best = { start: 0, count: 0, dose: 0 };
  const count = Math.min(most, of.length);
  for (let start = 0; start + count <= of.length; start++) {
    const dose = of.slice(start, start + count).reduce((sum, quarter) => sum + quarter.dose, 0);
    if (dose > best.dose + 1e-9) best = { start, count, dose };
  }
  return best;
}

/** The shortest stretch inside one that gives a dose. */
function shortestFor(of: readonly Quarter[], wanted: number): { start: number; count: number; dose: number } {
  for (let count = 1; count <= of.length; count++) {
    const best = bestStretch(of, count);
    if (best.dose >= wanted - 1e-9) return best;
  }
  return bestStretch(of, of.length);
}

const asSession = (
  of: readonly { at: number }[],
  { start, count, dose }: { start: number; count: number; dose: number },
): PlannedSession => ({
  from: new Date(of[start]!.at).toISOString(),
  to: new Date(of[start]!.at + count * STEP_MIN * 60_000).toISOString(),
  dose,
});

/**
 * Sessions in the coming days, inside somebody's hours, that bring the dose with as few of them as can be, and each as
 * near the same dose as can be: the best days are taken until they suffice, then each is cut to its even share.
 */
export function placeSessions(input: SessionsInput): SessionPlan {
  const most = Math.max(1, Math.floor(input.longestMin / STEP_MIN));
  const days = (input.light ?? openLight(input))
    .map((of) => of.map(({ at, dose }) => ({ at, dose: dose * input.transmission })))
    .filter((of) => of.length > 0)
    .map((of) => ({ of, best: bestStretch(of, most) }))
    .filter(({ best }) => best.count > 0);
  const byDose = [...days].sort((a, b) => b.best.dose - a.best.dose);
  const taken: typeof days = [];
  for (const day of byDose) {
    if (taken.reduce((sum, { best }) => sum + best.dose, 0) >= input.doseToGo - 1e-9) break;
    taken.push(day);
  }
  // The weakest day first: what it cannot give of an even share falls to the others.
  let left = input.doseToGo;
  const cut = new Map<(typeof days)[number], PlannedSession>();
  [...taken].reverse().forEach((day, i) => {
    const share = left / (taken.length - i);
    const stretch =
      day.best.dose <= share
        ? day.best
        : shortestFor(day.of.slice(day.best.start, day.best.start + day.best.count), share);
    const offset = stretch === day.best ? 0 : day.best.start;
    const session = asSession(day.of.slice(offset), stretch);
    left -= session.dose;
    cut.set(day, session);
  });
  const sessions = days.flatMap((day) => cut.get(day) ?? []);
  const dose = sessions.reduce((sum, session) => sum + session.dose, 0);
  return {
    sessions,
    dose,
    enough: dose >= input.doseToGo - 1e-6,
    days: days.map((day) => ({ ...asSession(day.of, day.best), chosen: cut.has(day) })),
  };
}

const HALVINGS = 12;

/**
 * The cloud that, held over a whole window, brings the dose that the changing sky brings: thin cloud takes little, thick
 * cloud much, so the mean of the hours would promise too much. The mean where no sun shines.
 */
export function evenCloud(sun: Pick<SessionsInput, 'place' | 'shading' | 'clouds'>, window: Hours): number {
  const slices = quarters({ ...sun, transmission: 1 }, window);
  const dose = slices.reduce((sum, quarter) => sum + quarter.dose, 0);
  if (dose < 0.01) {
    const within = sun.clouds.filter(({ at }) => at.getTime() + HOUR_MS > window.from.getTime() && at < window.to);
    return within.length === 0 ? 0 : within.reduce((sum, { cloud }) => sum + cloud, 0) / within.length;
  }
  const minutes = slices.length * STEP_MIN;
  let [clear, covered] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (clear + covered) / 2;
    if (sunDose(sun.place, window.from, minutes, 1, middle, sun.shading) > dose) clear = middle;
    else covered = middle;
  }
  return (clear + covered) / 2;
}

export interface WindowNow {
  /** What it brings under the sky as it is expected now, UVI·h through the cover. */
  dose: number;
  /** One of the same length, in somebody's hours, that brings clearly more. */
  better: PlannedSession | null;
}

/** A window that was planned, looked at again: the sky may have turned since. */
export function windowNow(sun: Omit<SessionsInput, 'doseToGo' | 'longestMin'>, window: Hours): WindowNow {
  const dose = quarters(sun, window).reduce((sum, quarter) => sum + quarter.dose, 0);
  const longestMin = (window.to.getTime() - window.from.getTime()) / 60_000;
  const { days } = placeSessions({ ...sun, longestMin, doseToGo: Infinity });
  const best = days.reduce<PlannedSession | null>((most, day) => (most && most.dose >= day.dose ? most : day), null);
  return {
    dose,
    better:
      best && best.dose >= Math.max(assumed('worth moving') * dose, 1)
        ? { from: best.from, to: best.to, dose: best.dose }
        : null,
  };
}
