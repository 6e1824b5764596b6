import fc from 'fast-check';
import { blockOf } from './layout';
import { contactsToMend, mixedSprings, partsOff } from './measured';

const { keys } = blockOf('staggered', 8, 4);
const all = (value: (i: number) => number) => Object.fromEntries(keys.map(({ id }, i) => [id, value(i)]));

describe('parts by measure', () => {
  it('are odd at 3.5 robust spreads and not before', () => {
    // Nine values about 100 whose median distance is 2: a spread of 2.97.
    const values = { a: 100, b: 98, c: 102, d: 98, e: 102, f: 100, g: 97, h: 103, i: 110.5 };
    const middle = partsOff(values)!;
    expect([middle.middle, Math.round(100 * middle.spread) / 100]).toEqual([100, 2.97]);
    expect(middle.off.map(({ key }) => key)).toEqual(['i']);
    expect(partsOff({ ...values, i: 110.2 })!.off).toEqual([]);
  });

  it('that are all alike have a spread of two in a hundred, not of nothing', () => {
    expect(partsOff({ ...all(() => 50), a1: 53 })!.off).toEqual([]);
    expect(partsOff({ ...all(() => 50), a1: 54 })!.off.map(({ key }) => key)).toEqual(['a1']);
  });

  it('are not judged by four', () => {
    expect(partsOff({ a: 1, b: 1, c: 1, d: 99 })).toBeNull();
    expect(partsOff({ a: 1, b: 1, c: 1, d: 1, e: 99 })).not.toBeNull();
  });

  it('are the same odd ones in any unit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 90 }), { minLength: 6, maxLength: 30 }),
        fc.constantFrom(0.1, 2, 1000),
        (list, unit) => {
          const values = Object.fromEntries(list.map((value, i) => [`k${i}`, value]));
          const scaled = Object.fromEntries(list.map((value, i) => [`k${i}`, value * unit]));
          expect(partsOff(scaled)!.off.map(({ key }) => key)).toEqual(partsOff(values)!.off.map(({ key }) => key));
        },
      ),
    );
  });

  it('find the stiff spring of the space bar under a letter', () => {
    const mixed = { ...all((i) => 55 + (i % 3)), b3: 92, space: 56 };
    expect(mixedSprings(keys, mixed)).toEqual([{ stiffUnder: 'b3', belongsUnder: 'space' }]);
    // In its own place it is no fault.
    expect(mixedSprings(keys, { ...all((i) => 55 + (i % 3)), space: 92 })).toEqual([]);
  });

  it('ask for cleaning from 1 kΩ and for renewing above 5', () => {
    const limits = { passOhms: 1000, cleanOhms: 5000 };
    expect(contactsToMend({ a: 999, b: 1000, c: 5000, d: 5001 }, limits)).toEqual([
      { key: 'd', value: 5001, verdict: 'renew' },
      { key: 'c', value: 5000, verdict: 'clean' },
      { key: 'b', value: 1000, verdict: 'clean' },
    ]);
  });
});
