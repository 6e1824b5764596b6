/** A change as figures show it: always with its sign, and a minus that is as wide as the plus. */
export const signed = (value: number, digits = 1): string =>
  `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(digits)}`;
