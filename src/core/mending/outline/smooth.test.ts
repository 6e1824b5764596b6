import fc from 'fast-check';
import { seededRandom } from '@/simulators/camera/random';
import type { Point } from '../../picture/picture';
import { circle, rectangle, twiceArea, withoutStraights, type Ring } from '../part/rings';
import { areaInside, bowed, mirroredCorners, ringOf, smoothed } from './smooth';

/** A ring as a tracing gives it: a point every fifth of a millimetre, each off by a little. */
function traced(ring: Ring, sdMm: number, seed: number): Ring {
  const random = seededRandom(seed);
  const off = () => sdMm * (random() + random() + random() - 1.5) * 2;
  return ring.flatMap(([ax, ay], i): Point[] => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const steps = Math.max(1, Math.round(Math.hypot(bx - ax, by - ay) / 0.2));
    return Array.from({ length: steps }, (_, k): Point => [
      ax + ((bx - ax) * k) / steps + off(),
      ay + ((by - ay) * k) / steps + off(),
    ]);
  });
}
const area = (ring: Ring) => Math.abs(twiceArea(ring)) / 2;

it('a traced rectangle has four corners again, near where they are', () => {
  const corners = smoothed(traced(rectangle(40, 12), 0.03, 5), 0.15);
  expect(corners).toHaveLength(4);
  for (const { at, bowMm } of corners) {
    expect(bowMm).toBe(0);
    expect(Math.abs(Math.abs(at[0]) - 20)).toBeLessThan(0.15);
    expect(Math.abs(Math.abs(at[1]) - 6)).toBeLessThan(0.15);
  }
});

it('rounded corners become arcs, and a disc two of them', () => {
  const plain = rectangle(40, 16, 4);
  const rounded = smoothed(traced(plain, 0.03, 7), 0.15);
  expect(rounded.length).toBeLessThan(14);
  expect(rounded.some(({ bowMm }) => Math.abs(bowMm) > 0.5)).toBe(true);
  expect(areaInside(rounded) / area(plain)).toBeCloseTo(1, 2);
  const disc = smoothed(traced(circle(14), 0.03, 9), 0.15);
  expect(disc).toHaveLength(2);
  expect(areaInside(disc) / area(circle(14))).toBeCloseTo(1, 2);
});

it('is as wide as what was traced, however much it is allowed', () => {
  for (const tolerance of [0.1, 0.25, 0.75])
    for (let seed = 1; seed <= 12; seed++) {
      // As a tracing comes: what is straight has no points between its ends.
      const plain = traced(rectangle(60, 40, 6), 0.05, seed);
      const line = seed % 2 ? plain : withoutStraights(rectangle(60, 40, 6));
      const ring = ringOf(smoothed(line, tolerance));
      for (const axis of [0, 1] as const) {
        const wide = (of: Ring) => Math.max(...of.map((p) => p[axis])) - Math.min(...of.map((p) => p[axis]));
        expect(Math.abs(wide(ring) - wide(line))).toBeLessThan(2 * tolerance + 0.1);
      }
    }
});

it('nothing that was traced lies further off than was allowed, whatever its shape', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 8, max: 60, noNaN: true }),
      fc.double({ min: 6, max: 40, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.integer({ min: 1, max: 1e6 }),
      (w, h, radius, seed) => {
        const line = traced(rectangle(w, h, radius), 0.04, seed);
        const ring = ringOf(smoothed(line, 0.2));
        expect(ring.length).toBeLessThan(line.length);
        expect(area(ring) / area(line)).toBeCloseTo(1, 1);
        for (const [x, y] of line) {
          const off = Math.min(
            ...ring.map(([ax, ay], i) => {
              const [bx, by] = ring[(i + 1) % ring.length]!;
              const long = (bx - ax) ** 2 + (by - ay) ** 2 || 1;
              const t = Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long));
              return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay));
            }),
          );
          expect(off).toBeLessThan(0.45);
        }
      },
    ),
    { numRuns: 40 },
  );
});

it('seen in a mirror twice it is the same, and once as large', () => {
  const corners = smoothed(traced(rectangle(30, 10, 2), 0.02, 3), 0.12);
  const once = mirroredCorners(corners);
  expect(areaInside(once)).toBeCloseTo(areaInside(corners), 6);
  const left = Math.min(...ringOf(corners).map(([x]) => x));
  expect(Math.max(...ringOf(once).map(([x]) => x))).toBeCloseTo(-left, 6);
  const twice = mirroredCorners(once);
  expect(areaInside(twice)).toBeCloseTo(areaInside(corners), 9);
  expect(twice.map(({ at }) => at)).toEqual(corners.map(({ at }) => at));
});

it('a side bows to its right, and a straight one not at all', () => {
  expect(bowed([0, 0], [10, 0], 2)).toEqual([5, -2]);
  expect(ringOf([0, 1, 2].map((k) => ({ at: [k, k * k] as Point, bowMm: 0 })))).toHaveLength(3);
});
