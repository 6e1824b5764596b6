/** How often one pass takes a soil, before it was tried: one's own passes move it from there. */
export const TAKES = { seldom: 0.25, 'half the time': 0.5, mostly: 0.8 } as const;
export type Often = keyof typeof TAKES;
