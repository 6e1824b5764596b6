import fc from 'fast-check';
import { countOf, leftIn, shareOfPrice, type Movement } from './left';

const amount = fc.double({ min: 0, max: 5000, noNaN: true });
const used = amount.map((taken): Movement => ({ kind: 'used', change: -taken }));

it('a count is believed over everything before it', () => {
  fc.assert(
    fc.property(fc.option(amount), fc.array(used), amount, (size, before, found) => {
      expect(leftIn(size, [...before, countOf(size, before, found)])).toBeCloseTo(found, 6);
    }),
  );
});

it('what is left and what was taken are the whole bottle; it is never emptier than empty', () => {
  fc.assert(
    fc.property(amount, fc.array(used), (size, taken) => {
      const out = taken.reduce((sum, { change }) => sum - change, 0);
      expect(leftIn(size, taken)).toBeCloseTo(Math.max(0, size - out), 6);
    }),
  );
});

it('a bottle of unknown size is known from its first count on', () => {
  const taken: Movement[] = [{ kind: 'used', change: -200 }];
  expect(leftIn(null, taken)).toBeNull();
  expect(leftIn(null, [...taken, countOf(null, taken, 300), { kind: 'used', change: -50 }])).toBe(250);
});

it('what is used costs its share of the bottle', () => {
  expect(shareOfPrice(990, 1000, 880)).toBe(871);
  expect([shareOfPrice(null, 1000, 880), shareOfPrice(990, null, 880)]).toEqual([0, 0]);
});
