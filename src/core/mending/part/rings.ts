import { contains } from '../../picture/polygon';
import type { Point } from '../../picture/picture';
import { Refusal } from '../../refusal';

/** A closed line in the plane, mm; its last point is joined to the first. */
export type Ring = readonly Point[];

/** Round things have so many sides: their area is right to four in ten thousand. */
const SIDES = 128;

/** Twice the area; above 0 where it runs against the clock with y up. */
export const twiceArea = (ring: Ring): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!;
    return sum + x * ny - nx * y;
  }, 0);

export const circle = (diameterMm: number, [x, y]: Point = [0, 0]): Ring =>
  Array.from({ length: SIDES }, (_, i): Point => {
    const at = (2 * Math.PI * i) / SIDES;
    return [x + (diameterMm / 2) * Math.cos(at), y + (diameterMm / 2) * Math.sin(at)];
  });

/** A rectangle about a middle, its corners rounded where a radius is given. */
export function rectangle(w: number, h: number, radiusMm = 0, [x, y]: Point = [0, 0]): Ring {
  const corners: [Point, number][] = [
    [[w / 2, h / 2], 0],
    [[-w / 2, h / 2], 1],
    [[-w / 2, -h / 2], 2],
    [[w / 2, -h / 2], 3],
  ];
  if (radiusMm <= 0) return corners.map(([[cx, cy]]): Point => [x + cx, y + cy]);
  const r = Math.min(radiusMm, w / 2, h / 2);
  const quarter = SIDES / 4;
  const round = corners.flatMap(([[cx, cy], k]) =>
    Array.from({ length: quarter + 1 }, (_, i): Point => {
      const at = (Math.PI / 2) * (k + i / quarter);
      return [x + cx - Math.sign(cx) * r + r * Math.cos(at), y + cy - Math.sign(cy) * r + r * Math.sin(at)];
    }),
  );
  // Where the radius is half a side, two corners end in one point.
  return round.filter(([px, py], i) => {
    const [qx, qy] = round[(i + round.length - 1) % round.length]!;
    return Math.hypot(px - qx, py - qy) > 1e-6;
  });
}

/** A ring turned upside down along y, as a left foot from a right one. */
export const mirrored = (ring: Ring): Ring => ring.map(([x, y]): Point => [-x, y]).reverse();

/** Points that lie on the straight between their neighbours say nothing, mm. */
const STRAIGHT_MM = 1e-6;

/** A ring without points that are doubled or lie on a straight line. */
export function withoutStraights(ring: Ring): Ring {
  let left = ring.filter(([x, y], i) => {
    const [px, py] = ring[(i + ring.length - 1) % ring.length]!;
    return Math.hypot(x - px, y - py) > STRAIGHT_MM;
  });
  for (;;) {
    const next = left.filter(([x, y], i) => {
      const [px, py] = left[(i + left.length - 1) % left.length]!;
      const [nx, ny] = left[(i + 1) % left.length]!;
      const off =
        Math.abs((nx - px) * (y - py) - (ny - py) * (x - px)) / Math.max(STRAIGHT_MM, Math.hypot(nx - px, ny - py));
      return off > STRAIGHT_MM;
    });
    if (next.length === left.length || next.length < 3) return left;
    left = next;
  }
}

/** How often a ring lies inside of others: 0 is an outer one, 1 a hole in it, 2 an island in that. */
export const depthOf = (ring: Ring, among: readonly Ring[]): number =>
  among.filter((other) => other !== ring && contains(other, insideOf(ring))).length;

/** A point just inside of a ring. */
export function insideOf(ring: Ring): Point {
  const turn = Math.sign(twiceArea(ring)) || 1;
  // Half way along its longest side and a hair inwards: nearer to no other ring.
  let best = 0;
  const side = (i: number) => {
    const [[ax, ay], [bx, by]] = [ring[i]!, ring[(i + 1) % ring.length]!];
    return Math.hypot(bx - ax, by - ay);
  };
  ring.forEach((_, i) => {
    if (side(i) > side(best)) best = i;
  });
  const [[ax, ay], [bx, by]] = [ring[best]!, ring[(best + 1) % ring.length]!];
  const long = side(best);
  const hair = 1e-4 * long;
  return [(ax + bx) / 2 - (turn * (by - ay) * hair) / long, (ay + by) / 2 + (turn * (bx - ax) * hair) / long];
}

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean => {
  const side = ([px, py]: Point, [qx, qy]: Point, [rx, ry]: Point) => (qx - px) * (ry - py) - (qy - py) * (rx - px);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
};

/**
 * Rings that bound one flat thing: none crosses itself or another.
 *
 * @throws Refusal with which of them does
 */
export function checkRings(rings: readonly { field: string; ring: Ring }[]): void {
  for (const { field, ring } of rings)
    if (ring.length < 3 || Math.abs(twiceArea(ring)) < 1e-6)
      throw new Refusal(field, 'An outline needs three points or more, and an area.');
  const sides = rings.flatMap(({ field, ring }) => ring.map((a, i) => ({ field, a, b: ring[(i + 1) % ring.length]! })));
  // Along x: only sides that overlap there can cross.
  const sorted = sides
    .map((side) => ({ ...side, from: Math.min(side.a[0], side.b[0]), to: Math.max(side.a[0], side.b[0]) }))
    .sort((p, q) => p.from - q.from);
  sorted.forEach((one, i) => {
    for (let j = i + 1; j < sorted.length && sorted[j]!.from <= one.to; j++) {
      const other = sorted[j]!;
      if (!crosses(one.a, one.b, other.a, other.b)) continue;
      const at = `near ${one.a[0].toFixed(1)}, ${one.a[1].toFixed(1)} mm`;
      throw new Refusal(
        other.field,
        one.field === other.field
          ? `The outline crosses itself ${at}. Draw it so that it meets itself nowhere.`
          : `A hole crosses the outline or another hole ${at}. Move one of them.`,
      );
    }
  });
}
