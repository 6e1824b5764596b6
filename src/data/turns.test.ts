import { inTurns } from './turns';

it.each([
  ['what takes long, with others in between', 10, 3],
  ['what is short, at once', 2, 1],
])('makes each in order: %s', async (_, eachMs, stretches) => {
  let now = 0;
  let others = 0;
  let isOver = false;
  const other = (): void => {
    others += 1;
    if (!isOver) setImmediate(other);
  };
  setImmediate(other);
  const between: number[] = [];
  const make = (one: number) => {
    now += eachMs;
    between.push(others);
    return 2 * one;
  };
  expect(await inTurns([1, 2, 3, 4, 5, 6], make, () => now)).toEqual([2, 4, 6, 8, 10, 12]);
  isOver = true;
  expect(new Set(between).size).toBe(stretches);
});
