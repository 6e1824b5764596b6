/**
 * A sum that is asked for the same things again and again, worked out once for each. Of more than `most` all are let go, so
 * that it cannot grow with the years; of what fails nothing is kept.
 *
 * @param keyOf tells apart what differs in what comes out
 */
export function remembered<Asked extends unknown[], Made>(
  most: number,
  keyOf: (...asked: Asked) => string | number,
  sum: (...asked: Asked) => Made,
): (...asked: Asked) => Made {
  const known = new Map<string | number, { made: Made }>();
  return (...asked) => {
    const key = keyOf(...asked);
    const found = known.get(key);
    if (found) return found.made;
    const made = sum(...asked);
    if (known.size >= most) known.clear();
    known.set(key, { made });
    return made;
  };
}
