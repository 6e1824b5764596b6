import type { Point } from '../../picture/picture';
import { checkRings } from '../part/rings';
import { untangled } from './untangled';

const circle = (n: number): Point[] =>
  Array.from({ length: n }, (_, i) => [10 * Math.cos((2 * Math.PI * i) / n), 10 * Math.sin((2 * Math.PI * i) / n)]);
const check = (ring: readonly Point[]) => () => checkRings([{ field: 'outline', ring: [...ring] }]);

it('leaves a ring that meets itself nowhere as it is', () => {
  const ring = circle(60);
  const found = untangled(ring);
  expect(found).toHaveLength(60);
  expect(new Set(found.map(String))).toEqual(new Set(ring.map(String)));
});

it.each([0, 7, 30, 58])('cuts off a loop at point %p', (at) => {
  const ring = circle(60);
  // Two points in the wrong order, as at a bend tighter than what a point is moved by.
  const tangled = ring.map((point, i) => (i === at ? ring[(at + 2) % 60]! : i === (at + 2) % 60 ? ring[at]! : point));
  expect(check(tangled)).toThrow(/crosses itself/);
  const found = untangled(tangled);
  expect(check(found)).not.toThrow();
  for (const [x, y] of found) expect(Math.abs(Math.hypot(x, y) - 10)).toBeLessThan(0.3);
});
