import { assumed } from '../assumptions/assumptions';

/** A parcel that came: when it was ordered, expected and there, ms. */
export interface CameParcel {
  ordered: number;
  due: number;
  arrived: number;
}

/** As many parcels as the first guess of their spread counts for. */
const GUESS_WEIGHT = 5;

/**
 * How far parcels of this workshop are off their dates: standard deviation of the logarithm of how long they took over how
 * long they were said to take. The first guess counts as a few parcels.
 */
export function parcelSpread(came: readonly CameParcel[]): number {
  const logs = came
    .filter(({ ordered, due, arrived }) => due > ordered && arrived > ordered)
    .map(({ ordered, due, arrived }) => Math.log((arrived - ordered) / (due - ordered)));
  const guess = assumed('spread of parcels') ** 2;
  const sum = logs.reduce((all, log) => all + log ** 2, 0);
  return Math.sqrt((GUESS_WEIGHT * guess + sum) / (GUESS_WEIGHT + logs.length));
}
