import fc from 'fast-check';
import type { Lab } from '../colour/types';
import { donorsFor, type DonorPart, type Wanted } from './donorMatch';

const part = (what: string, more: Partial<DonorPart> = {}): DonorPart => ({
  ...{ what, lengthMm: null, widthMm: null, heightMm: null, spacingMm: null, lab: null, ...more },
});
const wanted = (what: string, more: Partial<Wanted> = {}): Wanted => ({ ...part(what), toleranceMm: 0.5, ...more });

it('finds what is named alike and fits, what nobody measured after it', () => {
  const parts = [
    part('Feet, rubber', { heightMm: 8.4 }),
    part('foot', { heightMm: 8.6 }),
    part('foot of rubber', { heightMm: 8.3 }),
    part('rubber foot, other make'),
    part('wide key cap', { heightMm: 8.3 }),
  ];
  const found = donorsFor(parts, wanted('rubber foot', { heightMm: 8 }));
  expect(found.map(({ part: { what } }) => what)).toEqual([
    'foot of rubber',
    'Feet, rubber',
    'rubber foot, other make',
  ]);
  expect(found[0]!.offMm.heightMm).toBeCloseTo(0.3, 9);
  expect(found[2]!.unmeasured).toEqual(['heightMm']);
});

it('minds the spacing of holes as any other size, to its very tolerance', () => {
  const parts = [part('bracket', { spacingMm: 40.5 }), part('bracket', { spacingMm: 40.6 })];
  expect(donorsFor(parts, wanted('bracket', { spacingMm: 40 }))).toHaveLength(1);
  expect(donorsFor(parts, wanted('bracket', { spacingMm: 40, toleranceMm: 1 }))).toHaveLength(2);
});

it('says how far its colour is off, and whether brightening brings it there', () => {
  const lab: Lab = [82, 0, 8];
  const yellowed = part('door', { lab: [82 - 0.35 * 12, 0, 20] });
  const grey = part('door', { lab: [60, 0, 2] });
  const [first, second] = donorsFor([grey, yellowed], wanted('door', { lab }));
  expect(first!.part).toBe(yellowed);
  expect(first!.deltaE00).toBeGreaterThan(5);
  expect(first!.brightened).toBeLessThan(0.1);
  // What is darker and less yellow gains nothing by it.
  expect(second!.brightened).toBeNull();
  expect(donorsFor([part('door')], wanted('door', { lab }))[0]!.deltaE00).toBeNull();
});

it('a wider tolerance never loses a candidate, and their order does not hang on that of the shelf', () => {
  const size = fc.option(fc.double({ min: 1, max: 50, noNaN: true }), { nil: null });
  const parts = fc.array(
    fc.record({
      what: fc.constantFrom('foot', 'wide cap', 'hinge stub', 'feet'),
      ...{ lengthMm: size, widthMm: size, heightMm: size, spacingMm: size },
      lab: fc.constant(null),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(parts, size, fc.double({ min: 0, max: 5, noNaN: true }), (shelf, lengthMm, toleranceMm) => {
      const narrow = donorsFor(shelf, wanted('foot', { lengthMm, toleranceMm }));
      const wide = donorsFor([...shelf].reverse(), wanted('foot', { lengthMm, toleranceMm: toleranceMm + 1 }));
      for (const { part: one } of narrow) expect(wide.map((other) => other.part)).toContain(one);
      const off = narrow.map(({ offMm }) => offMm.lengthMm ?? 0);
      expect(Math.max(0, ...off)).toBeLessThanOrEqual(toleranceMm + 1e-6);
    }),
  );
});
