/** A window on a drawn day, in minutes from the day's beginning. */
export interface DayWindow {
  from: number;
  minutes: number;
}

/** A window is moved and drawn out in steps. */
export const STEP_MIN = 15;
/** No session is worth mixing for that is shorter. */
const SHORTEST_MIN = 30;

const step = (minutes: number) => Math.round(minutes / STEP_MIN) * STEP_MIN;
const between = (low: number, high: number, value: number) => Math.max(low, Math.min(high, value));

/**
 * The window moved by so many minutes, kept within its day.
 *
 * @param dayMin minutes of the day: 1440, or an hour more or less where the clock changes
 * @example
 * moved({ from: 600, minutes: 120 }, 20, 1440); // { from: 615, minutes: 120 }
 */
export function moved({ from, minutes }: DayWindow, by: number, dayMin: number): DayWindow {
  return { from: between(0, Math.max(0, dayMin - minutes), step(from + by)), minutes };
}

/** Its beginning moved, with its end held. */
export function begunAt({ from, minutes }: DayWindow, by: number): DayWindow {
  const end = from + minutes;
  const begins = between(0, end - SHORTEST_MIN, step(from + by));
  return { from: begins, minutes: end - begins };
}

/** Its end moved, with its beginning held. */
export function endedAt({ from, minutes }: DayWindow, by: number, dayMin: number): DayWindow {
  return { from, minutes: between(SHORTEST_MIN, Math.max(SHORTEST_MIN, dayMin - from), step(minutes + by)) };
}
