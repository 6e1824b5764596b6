/** What is measured: between two places, across something round, at a corner, of a face. */
export const SIZE_KINDS = ['length', 'round', 'angle', 'area'] as const;
export type SizeKind = (typeof SIZE_KINDS)[number];

/** So many marks each takes. */
export const MARKS_OF: Record<SizeKind, number> = { length: 2, round: 1, angle: 3, area: 1 };
export const UNIT_OF: Record<SizeKind, string> = { length: 'mm', round: 'mm', angle: '°', area: 'mm²' };
