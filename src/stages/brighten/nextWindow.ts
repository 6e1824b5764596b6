import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import { sunAndUv } from '@/core/sun/day';
import type { WaysView } from './ways';

const HOUR_MS = 3_600_000;

/** The way that a plan begins with: the one that goes, else what most benches can do. */
export function firstSchool(going: SchoolId | undefined, placeKnown: boolean): SchoolId {
  return going ?? (placeKnown ? 'cream-film-sun' : 'bath-lamp');
}

interface Window {
  from: string;
  to: string;
}

/** A shorter rest of a window is not worth mixing for. */
const LEAST_LEFT_MS = HOUR_MS / 2;

/** The next of the planned sessions that can still be begun. */
export const nextPlanned = <T extends Window>(planned: readonly T[], now: Date): T | null =>
  planned.find(({ to }) => Date.parse(to) > now.getTime() + LEAST_LEFT_MS) ?? null;

/** What is left of a window. */
export const leftOf = ({ from, to }: Window, now: Date): Window => ({ from: Date.parse(from) > now.getTime() ? from : now.toISOString(), to });

/** The next window that the sun opens for a way; `null` while the sun stands high enough to begin at once, and for other ways. */
export function nextWindow(ways: WaysView | null, school: SchoolId): Window | null {
  if (!ways?.place || SCHOOL[school].driver !== 'sun' || sunAndUv(ways.place, new Date()).uvIndexClear > 1) return null;
  return ways.ways.find((way) => way.school === school)?.sun?.sessions[0] ?? null;
}

/** Cloud over a window, or over the hours to come, by the sky that all plans count with; in steps of five per cent. */
export function cloudOver(ways: WaysView | null, window: Window | null): number {
  const [from, to] = window ? [Date.parse(window.from), Date.parse(window.to)] : [Date.now(), Date.now() + 3 * HOUR_MS];
  const within = (ways?.clouds ?? []).filter(({ at }) => at.getTime() + HOUR_MS > from && at.getTime() < to);
  return within.length === 0 ? 0 : 5 * Math.round((20 * within.reduce((sum, { cloud }) => sum + cloud, 0)) / within.length);
}
