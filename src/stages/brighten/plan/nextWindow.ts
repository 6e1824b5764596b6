import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { evenCloud } from '@/core/session/sessions';
import { sunAndUv } from '@/core/sun/day';
import { skyKnown, type SkyKnown } from '@/core/sun/skyKnown';
import type { WaysView } from '../ways/ways';

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
export const leftOf = ({ from, to }: Window, now: Date): Window => ({
  from: Date.parse(from) > now.getTime() ? from : now.toISOString(),
  to,
});

/** The next window that the sun opens for a way; `null` while the sun stands high enough to begin at once, and for other ways. */
export function nextWindow(ways: WaysView | null, school: SchoolId, now: Date): Window | null {
  if (!ways?.place || SCHOOL[school].driver !== 'sun' || sunAndUv(ways.place, now).uvIndexClear > 1) return null;
  return ways.ways.find((way) => way.school === school)?.sun?.sessions[0] ?? null;
}

/** A window, or the hours to come where there is none. */
const windowOf = (window: Window | null, now: Date) =>
  window
    ? { from: new Date(window.from), to: new Date(window.to) }
    : { from: now, to: new Date(now.getTime() + 3 * HOUR_MS) };

/** What is known of the sky over a window, or over the hours to come. */
export function skyOfWindow({ clouds }: WaysView, window: Window | null, now: Date): SkyKnown {
  const { from, to } = windowOf(window, now);
  return skyKnown(clouds, from, to);
}

/** Cloud over a window, or over the hours to come, in whole per cent: held all along it brings the dose that the sky of all plans brings. */
export function cloudOver(ways: WaysView | null, window: Window | null, now: Date): number {
  if (!ways?.place || ways.clouds.length === 0) return 0;
  const { place, shading, clouds } = ways;
  return Math.round(100 * evenCloud({ place, shading, clouds }, windowOf(window, now)));
}
