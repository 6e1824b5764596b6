/** Kinds of consumables; the first two are planned with in Brighten. */
export const STOCK_KINDS = ['peroxide liquid', 'peroxide cream', 'oxygen-bleach powder', 'cleaner', 'other'] as const;
