/** From where on a face’s unevenness is one side, fold lines or spots: shares of its variance, and kurtosis. */
export const FAULT_LIMITS = { plane: 0.55, lines: 0.3, peaked: 2.5 } as const;
