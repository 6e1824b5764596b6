import { agedBottleSum, bathVolumeSum, bottleMixSum, percarbonateSum } from './bathSums';
import { cleaningLadderSum } from './cleaningSum';
import { colourDifference, yellowness } from './colourSums';
import { exposureForecastSum, sunAndUvSum, sunDoseSum } from './exposureSums';
import { creamAmountSum, oxygenReleaseSum, peroxideDilutionSum, peroxideStrengthSum } from './peroxideSums';
import type { AnySum } from './sum';
import { rebuildOrderSum } from './teardownSums';
import { turnPlanSum } from './turnSum';
import { worthSum } from './worthSum';

/** Every stand-alone sum, in the order of the work. */
export const SUMS: readonly AnySum[] = [
  worthSum,
  cleaningLadderSum,
  colourDifference,
  yellowness,
  peroxideStrengthSum,
  peroxideDilutionSum,
  oxygenReleaseSum,
  creamAmountSum,
  bathVolumeSum,
  bottleMixSum,
  agedBottleSum,
  percarbonateSum,
  sunAndUvSum,
  sunDoseSum,
  turnPlanSum,
  exposureForecastSum,
  rebuildOrderSum,
] as unknown as readonly AnySum[];

/** The sum of a name, if there is one. */
export function findSum(name: string): AnySum | undefined {
  return SUMS.find((sum) => sum.name === name);
}
