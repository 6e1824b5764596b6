/** The last page of a list whose length is not known yet: nobody leafs further. */
export const LAST_PAGE = 100_000;

/**
 * The page that an address asks for, from 0: whatever stands there, one that there is.
 *
 * @param last the last page that there is
 * @param first what the first page is called in the address
 */
export const pageAsked = (page: string | readonly string[] | undefined, last: number, first = 0): number =>
  Math.min(last, Math.max(0, Math.floor(Number(page ?? first)) - first || 0));
