/** Fields of a form by their names. */
export type Fields = Record<string, unknown>;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Brings what somebody typed on a page together with what stands by now, where somebody else changed that since the page
 * was drawn: a field that was not touched is as it stands, one that only was touched is as it was typed.
 *
 * @param typed what the page sends
 * @param drawn what the page was drawn with
 * @param stands what it would be drawn with now
 * @returns `merged`, and `meets`: the fields that both changed, each to something else
 * @example merge({ a: '1', b: '5' }, { a: '1', b: '2' }, { a: '9', b: '2' }) // { merged: { a: '9', b: '5' }, meets: [] }
 */
export function merge(typed: Fields, drawn: Fields, stands: Fields): { merged: Fields; meets: string[] } {
  const merged = { ...typed };
  const meets: string[] = [];
  for (const name of Object.keys(typed)) {
    if (!Object.hasOwn(drawn, name) || !Object.hasOwn(stands, name) || same(drawn[name], stands[name])) continue;
    if (same(typed[name], drawn[name])) merged[name] = stands[name];
    else if (!same(typed[name], stands[name])) meets.push(name);
  }
  return { merged, meets };
}
