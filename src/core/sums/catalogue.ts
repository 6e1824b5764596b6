import { BATH_SUMS } from './bathSums';
import { CLEANING_SUMS } from './cleaningSum';
import { COLOUR_SUMS } from './colourSums';
import { EXPOSURE_SUMS } from './exposureSums';
import { FINISH_SUMS } from './finishSums';
import { KEYBOARD_SUMS } from './keyboardSums';
import { MENDING_SUMS } from './mendingSums';
import { PEROXIDE_SUMS } from './peroxideSums';
import { SCHEDULE_SUMS } from './scheduleSum';
import { TEARDOWN_SUMS } from './teardownSums';
import { TURN_SUMS } from './turnSum';
import { WORTH_SUMS } from './worthSum';
import type { AnySum } from './sum';

/** Every stand-alone sum, in the order of the work. A new one goes into the list at the end of its room’s file. */
export const SUMS: readonly AnySum[] = [
  ...WORTH_SUMS,
  ...CLEANING_SUMS,
  ...COLOUR_SUMS,
  ...PEROXIDE_SUMS,
  ...BATH_SUMS,
  ...EXPOSURE_SUMS,
  ...TURN_SUMS,
  ...TEARDOWN_SUMS,
  ...KEYBOARD_SUMS,
  ...MENDING_SUMS,
  ...FINISH_SUMS,
  ...SCHEDULE_SUMS,
] as unknown as readonly AnySum[];

/** The sum of a name, if there is one. */
export function findSum(name: string): AnySum | undefined {
  return SUMS.find((sum) => sum.name === name);
}
