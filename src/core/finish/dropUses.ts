/** What a drop is mixed for. */
export const DROP_USES = ['cast', 'paint'] as const;
export type DropUse = (typeof DROP_USES)[number];

/** So much base the drops of a pigment are counted for, g. */
export const BASE_G = 10;

/**
 * A mixture in words.
 *
 * @example
 * dropWords({ ochre: 3, black: 0.5 }); // '3 ochre, 0.5 black'
 */
export const dropWords = (amounts: Readonly<Record<string, number>>): string =>
  Object.entries(amounts)
    .filter(([, drops]) => drops > 0)
    .map(([pigment, drops]) => `${Number(drops.toFixed(2))} ${pigment}`)
    .join(', ') || 'nothing added';
