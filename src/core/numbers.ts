/** Nine times in ten a normal error is no larger than so many standard deviations; one in twenty lies over it to each side. */
export const NINE_IN_TEN_SD = 1.645;

const sortedOf = (values: ArrayLike<number>): Float64Array => Float64Array.from(values).sort();

/**
 * The middle of values; of an even number the upper of the two in the middle. `undefined` of none.
 *
 * @example median([3, 1, 2, 9]) // 3
 */
export const median = (values: ArrayLike<number>): number | undefined => sortedOf(values)[values.length >> 1];

/**
 * The value that so large a share of all lies below: 0 the least, 1 the greatest. `undefined` of none.
 *
 * @example quantile([5, 1, 4, 2, 3], 0.75) // 4
 */
export const quantile = (values: ArrayLike<number>, share: number): number | undefined =>
  sortedOf(values)[Math.round(share * (values.length - 1))];
