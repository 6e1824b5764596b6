type Json = null | boolean | number | string | Json[] | { [name: string]: Json };

/** What somebody may write into a field that it was never meant for. */
const EVIL: readonly Json[] = [
  null,
  '',
  'x'.repeat(30_000),
  'a\u0000b',
  '<script>alert(1)</script>',
  '__proto__',
  'constructor',
  '+275760-09-13T00:00:00.000Z',
  '9999-12-31T23:59:59.999Z',
  '2026-02-31T00:00:00.000Z',
  -1,
  0,
  1.5,
  1e9,
  1e308,
  true,
  [],
  {},
];

export interface Poisoned {
  /** Which field, and what stands in it. */
  name: string;
  bundle: Json;
}

/** Every place of a value, with only the first and the last of each list. */
function* placesIn(value: Json, path: (string | number)[] = []): Generator<(string | number)[]> {
  yield path;
  if (Array.isArray(value))
    for (const i of new Set([0, value.length - 1])) if (i in value) yield* placesIn(value[i]!, [...path, i]);
  if (value !== null && typeof value === 'object' && !Array.isArray(value))
    for (const [name, inner] of Object.entries(value)) yield* placesIn(inner, [...path, name]);
}

const at = (value: Json, path: readonly (string | number)[]): Json =>
  path.reduce<Json>((inner, name) => (inner as Record<string, Json>)[name]!, value);

/** A copy with something else at one place; `undefined` takes it away. */
function withOther(bundle: Json, path: readonly (string | number)[], other: Json | undefined): Json {
  const copy = structuredClone(bundle);
  const holder = at(copy, path.slice(0, -1)) as Record<string, Json | undefined>;
  const name = path.at(-1)!;
  // JSON leaves out what is undefined.
  if (other === undefined && Array.isArray(holder)) holder.splice(Number(name), 1);
  else holder[name] = other;
  return copy;
}

/**
 * An exported restoration, poisoned in every field in turn: with each evil value, with the field taken away, with each
 * row twice, and with every id that of another.
 *
 * @param foreign an id of another restoration, or of a row of one
 * @param each so many of the evil values at each place, the next ones at the next
 */
export function* poisonings(bundle: Json, foreign: string, each = EVIL.length): Generator<Poisoned> {
  let turn = 0;
  for (const path of placesIn(bundle)) {
    if (path.length === 0) continue;
    const value = at(bundle, path);
    const name = path.join('.');
    const others: (Json | undefined)[] = each < EVIL.length ? [] : [undefined];
    for (let i = 0; i < each; i++) others.push(EVIL[turn++ % EVIL.length]);
    if (typeof value === 'string' && /^[0-9a-f]{8}-/.test(value)) others.push(foreign);
    if (Array.isArray(value) && value.length > 0) others.push([...value, value[0]!], []);
    for (const other of others)
      yield {
        name: `${name} = ${JSON.stringify(other)?.slice(0, 60) ?? 'nothing'}`,
        bundle: withOther(bundle, path, other),
      };
  }
}
