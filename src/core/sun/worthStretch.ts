import { assumed } from '../assumptions/assumptions';
import type { SunSample } from './day';

/** The longest stretch of the rest of the day that is worth the setting up; `null` where none is. */
export function worthStretch(samples: readonly SunSample[], now: Date): { from: string; to: string } | null {
  let best: { from: string; to: string } | null = null;
  let from: string | null = null;
  const span = (a: string, b: string) => Date.parse(b) - Date.parse(a);
  for (const { time, uvIndex } of samples) {
    if (uvIndex < assumed('worth putting out') || Date.parse(time) < now.getTime()) {
      from = null;
      continue;
    }
    from ??= time;
    if (!best || span(from, time) > span(best.from, best.to)) best = { from, to: time };
  }
  return best && span(best.from, best.to) >= 3_600_000 * assumed('worth the setting up') ? best : null;
}
