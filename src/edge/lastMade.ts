import { LRUCache } from 'lru-cache';

/**
 * Keeps what was made last, and makes the rest; what two ask for at once is made once, and of what fails nothing is kept.
 *
 * @param mostBytes so much is kept of all together
 * @param make of what is given with a name; `undefined` is not kept
 */
export const lastMade = <Made extends object, Given>(
  mostBytes: number,
  bytesOf: (made: Made) => number,
  make: (given: Given) => Promise<Made | undefined>,
) =>
  new LRUCache<string, Made, Given>({
    maxSize: mostBytes,
    sizeCalculation: bytesOf,
    // One that others drove out while it was made is handed over all the same.
    ignoreFetchAbort: true,
    fetchMethod: (_, __, { context }) => make(context),
  });
