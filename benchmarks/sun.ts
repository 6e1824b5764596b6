import { assumed } from '@/core/assumptions/assumptions';
import { quantile } from '@/core/numbers';
import { sunAndUv } from '@/core/sun/day';

/**
 * UV index at noon of a clear day by month, as it is published for towns of both hemispheres: whole numbers, here as they
 * are remembered, since nothing is looked up. Latitude, longitude, metres, January to December.
 */
const PUBLISHED: readonly (readonly [number, number, number, readonly number[]])[] = [
  [-34.6, -58.4, 25, [9, 9, 7, 4, 3, 2, 3, 4, 5, 7, 9, 10]],
  [-22.9, -43.2, 10, [12, 11, 9, 7, 5, 5, 5, 7, 9, 10, 12, 12]],
  [49.3, -123.1, 30, [1, 1, 3, 4, 6, 7, 7, 6, 4, 2, 1, 1]],
  [23.1, -82.4, 20, [6, 8, 9, 10, 10, 11, 12, 11, 10, 8, 6, 5]],
  [52.5, 13.4, 40, [1, 1, 2, 4, 5, 7, 7, 5, 3, 1, 1, 0]],
  [35.7, 139.7, 40, [2, 4, 5, 8, 9, 9, 10, 9, 7, 4, 2, 2]],
  [-1.3, 36.8, 1700, [12, 13, 13, 12, 11, 10, 11, 11, 12, 12, 12, 11]],
  [47.9, 106.9, 1300, [1, 2, 4, 5, 7, 8, 8, 7, 5, 3, 1, 1]],
  [59.9, 30.3, 10, [0, 0, 1, 3, 4, 5, 5, 4, 2, 1, 0, 0]],
  [39.6, 2.6, 20, [2, 3, 4, 6, 8, 9, 9, 8, 6, 4, 2, 1]],
  [34.05, -118.2, 90, [3, 4, 6, 8, 9, 10, 10, 9, 7, 5, 3, 2]],
  [40.7, -74, 10, [2, 3, 4, 6, 7, 8, 9, 8, 6, 3, 2, 1]],
  [69.7, 19, 10, [0, 0, 1, 2, 3, 4, 4, 3, 2, 0, 0, 0]],
];
/** Of less the rounding to whole numbers says more than any law. */
const LEAST = 4;
const ROUNDED = 0.5;

/** The sum's clear-sky index at the height of noon against what is published. */
export async function sun(): Promise<void> {
  const errors: number[] = [];
  const beyond: string[] = [];
  for (const [latitude, longitude, altitudeM, months] of PUBLISHED)
    for (const [month, published] of months.entries()) {
      if (published < LEAST) continue;
      let noon = 0;
      for (let minute = 0; minute < 1440; minute += 5) {
        const time = new Date(Date.UTC(2025, month, 21) + minute * 60_000);
        noon = Math.max(noon, sunAndUv({ latitude, longitude, altitudeM, hazeShare: assumed('haze') }, time).uvIndex);
      }
      errors.push(Math.abs(noon / published - 1));
      const off = Math.max(noon / (published + ROUNDED) - 1, 1 - noon / (published - ROUNDED));
      if (off > 0.25) beyond.push(`${latitude}°, month ${month + 1}: ${noon.toFixed(1)} for ${published}`);
    }
  const share = (of: number) => `${(100 * of).toFixed(0)} %`;
  console.log(
    `Noon UV index of ${errors.length} months at ${PUBLISHED.length} places: median error ${share(quantile(errors, 0.5)!)} (aim 12), largest ${share(Math.max(...errors))}; beyond 25 % with the rounding to whole numbers allowed: ${beyond.length} ${beyond.join('; ')}`,
  );
}
