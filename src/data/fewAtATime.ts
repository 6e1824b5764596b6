import pLimit from 'p-limit';

/** A disk answers so many at once faster than one after the other; more would stand before what somebody waits for. */
const AT_A_TIME = 4;

/**
 * Does something to each, a few at a time. After one that fails no other is begun; it is thrown once those that were under
 * way are at an end.
 *
 * @returns what came of each, in order
 */
export async function fewAtATime<Given, Made>(
  all: readonly Given[],
  make: (one: Given) => Promise<Made>,
): Promise<Made[]> {
  const limit = pLimit(AT_A_TIME);
  const failures: unknown[] = [];
  const made = await Promise.all(
    all.map((one) =>
      limit(async () => {
        if (failures.length > 0) return undefined;
        return make(one).catch((failure: unknown) => void failures.push(failure));
      }),
    ),
  );
  if (failures.length > 0) throw failures[0];
  return made as Made[];
}
