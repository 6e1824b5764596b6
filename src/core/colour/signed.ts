/** A figure that may be below nothing, with a minus that is as wide as a plus. @example figured(-1.25, 1) // '−1.3' */
export const figured = (value: number, digits = 1): string => value.toFixed(digits).replace('-', '−');

/** A change as figures show it: always with its sign, and a minus that is as wide as the plus. */
export const signed = (value: number, digits = 1): string =>
  `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(digits)}`;
