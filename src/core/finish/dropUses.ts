import type { Stage } from '../runsheet/stages';
import { assumed } from '../assumptions/assumptions';

/** What a drop is mixed for. */
export const DROP_USES = ['cast', 'paint'] as const;
export type DropUse = (typeof DROP_USES)[number];
/** Where each is mixed. */
export const DROP_STAGE = { cast: 'mend', paint: 'finish' } as const satisfies Record<DropUse, Stage>;

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

/**
 * What so many drops weigh, g.
 *
 * @param of20 what twenty of them weighed, g; `null` where nobody weighed them
 * @example
 * gramsOfDrops(10, 1.2); // 0.6
 */
export const gramsOfDrops = (drops: number, of20: number | null): number =>
  drops * (of20 === null ? assumed('a drop weighs') : of20 / 20);
