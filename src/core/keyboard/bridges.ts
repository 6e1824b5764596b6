import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';
import type { Wiring } from './board';
import { PRIOR, type Observed } from './evidence';

/** Two lines of one kind that may be joined by solder or a spill. */
export interface Bridge {
  lines: [string, string];
  /** Keys that were pressed, each with the keys that answered besides it. */
  answered: Readonly<Record<string, readonly string[]>>;
}

/** @throws Refusal for lines that are not there, are the same, or of two kinds; for keys that are not there */
export function checkBridges({ lines, keys }: Wiring, bridges: readonly Bridge[]): readonly Bridge[] {
  bridges.forEach(({ lines: pair, answered }, i) => {
    const [a, b] = pair.map((id) => lines.find((line) => line.id === id));
    if (!a || !b)
      throw new Refusal(
        `bridges[${i}].lines`,
        `A bridge is said to join “${pair.join('” and “')}”: one of them is no line.`,
      );
    if (a === b || a.kind !== b.kind)
      throw new Refusal(
        `bridges[${i}].lines`,
        `“${a.id}” and “${b.id}” cannot be bridged here: give two different lines, both rows or both columns.`,
      );
    for (const id of [...Object.keys(answered), ...Object.values(answered).flat()])
      if (!keys.some((key) => key.id === id))
        throw new Refusal(`bridges[${i}].answered`, `“${id}” is said to have answered, and there is no such key.`);
  });
  return bridges;
}

/**
 * That two lines are joined: a key of the one then answers with the key beside it on the other, where there is one. Only
 * keys that work say anything.
 */
export function bridgeOdds(
  { lines, keys }: Wiring,
  seen: readonly Observed[],
  { lines: pair, answered }: Bridge,
): number {
  const [a, b] = pair.map((id) => lines.findIndex((line) => line.id === id)) as [number, number];
  const side = lines[a]!.kind;
  const cross = side === 'row' ? 'column' : 'row';
  let odds = assumed('lines bridged') / (1 - assumed('lines bridged'));
  keys.forEach((key, k) => {
    if (seen[k] !== 'works' || (key[side].line !== a && key[side].line !== b)) return;
    const other = key[side].line === a ? b : a;
    const twin = keys.find((one) => one[side].line === other && one[cross].line === key[cross].line);
    if (!twin || !(key.id in answered)) return;
    const both = answered[key.id]!.includes(twin.id);
    const { seenWrong } = PRIOR;
    odds *= both ? (1 - seenWrong) / seenWrong : seenWrong / (1 - seenWrong);
  });
  return odds / (1 + odds);
}
