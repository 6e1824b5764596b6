import { setImmediate as turn } from 'node:timers/promises';

/** So long one works before others get their turn, ms. */
const LONGEST_MS = 15;

/**
 * What comes of each, in order; whoever asks something else meanwhile does not wait for all of them.
 *
 * @param clock ms since whenever
 */
export async function inTurns<Given, Made>(
  all: readonly Given[],
  make: (one: Given) => Made,
  clock: () => number = () => performance.now(),
): Promise<Made[]> {
  const made: Made[] = [];
  let since = clock();
  for (const one of all) {
    if (clock() - since > LONGEST_MS) {
      await turn();
      since = clock();
    }
    made.push(make(one));
  }
  return made;
}
