const DAY_MS = 86_400_000;

/** So long stays what was deleted or taken back before it goes for good. */
export const STAYS_DAYS = 30;

/** When what was deleted then goes for good. @param at ISO time */
export const goesAt = (at: string): string => new Date(Date.parse(at) + STAYS_DAYS * DAY_MS).toISOString();

/** The latest time of deleting that is over by now. */
export const overBefore = (now: Date): string => new Date(now.getTime() - STAYS_DAYS * DAY_MS).toISOString();
