import earcut from 'earcut';
import { contains } from '../../picture/polygon';
import type { Point } from '../../picture/picture';
import { depthOf, twiceArea, type Ring } from './rings';

type Point3 = readonly [number, number, number];
/** Three corners, against the clock seen from outside. */
export type Triangle = readonly [Point3, Point3, Point3];

/** A slice of a part: what its rings are below and above; walls run straight between the two, point by point. */
export interface Layer {
  from: number;
  to: number;
  rings: readonly Ring[];
  /** Above, where it differs from below: as many rings of as many points. */
  top?: readonly Ring[];
}

const nameOf = (ring: Ring): string => ring.map(([x, y]) => `${x},${y}`).join(' ');

/** Outer rings against the clock, holes with it, whichever way they came. */
function turned(rings: readonly Ring[]): Ring[] {
  return rings.map((ring) => {
    const outer = depthOf(ring, rings) % 2 === 0;
    return twiceArea(ring) > 0 === outer ? ring : [...ring].reverse();
  });
}

function walls({ from, to, rings, top }: Layer): Triangle[] {
  const below = turned(rings);
  const above = top ? turned(top) : below;
  return below.flatMap((ring, k) =>
    ring.flatMap((_, i): Triangle[] => {
      const j = (i + 1) % ring.length;
      const at = ([x, y]: Point, z: number): Point3 => [x, y, z];
      const [p, q] = [at(ring[i]!, from), at(ring[j]!, from)];
      const [pt, qt] = [at(above[k]![i]!, to), at(above[k]![j]!, to)];
      return [
        [p, q, qt],
        [p, qt, pt],
      ];
    }),
  );
}

const isIn = (rings: readonly Ring[], point: Point): boolean =>
  rings.filter((ring) => contains(ring, point)).length % 2 === 1;

/** The flat faces where what is below ends, or what is above begins: whatever only one of the two has. */
function faces(z: number, below: readonly Ring[], above: readonly Ring[]): Triangle[] {
  const [inBelow, inAbove] = [new Set(below.map(nameOf)), new Set(above.map(nameOf))];
  const open = [
    ...below.filter((ring) => !inAbove.has(nameOf(ring))),
    ...above.filter((ring) => !inBelow.has(nameOf(ring))),
  ];
  const depths = new Map(open.map((ring) => [ring, depthOf(ring, open)]));
  return open
    .filter((ring) => depths.get(ring)! % 2 === 0)
    .flatMap((outer) => {
      const holes = open.filter(
        (ring) => depths.get(ring) === depths.get(outer)! + 1 && depthOf(ring, [ring, outer]) === 1,
      );
      const rings = [outer, ...holes];
      const points = rings.flat();
      const starts = rings.slice(0, -1).reduce<number[]>((all, ring) => [...all, (all.at(-1) ?? 0) + ring.length], []);
      const cut = earcut(
        points.flatMap(([x, y]) => [x, y]),
        starts,
      );
      const triangles: [Point, Point, Point][] = [];
      for (let i = 0; i < cut.length; i += 3) {
        const [a, b, c] = [points[cut[i]!]!, points[cut[i + 1]!]!, points[cut[i + 2]!]!];
        triangles.push(twiceArea([a, b, c]) >= 0 ? [a, b, c] : [a, c, b]);
      }
      const largest = triangles.reduce((best, one) => (twiceArea(one) > twiceArea(best) ? one : best));
      const middle: Point = [
        (largest[0][0] + largest[1][0] + largest[2][0]) / 3,
        (largest[0][1] + largest[1][1] + largest[2][1]) / 3,
      ];
      const up = isIn(below, middle);
      return triangles.map(([a, b, c]): Triangle => {
        const [p, q, r] = up ? [a, b, c] : [a, c, b];
        return [
          [p[0], p[1], z],
          [q[0], q[1], z],
          [r[0], r[1], z],
        ];
      });
    });
}

/**
 * The skin of a part that is a stack of layers, each on the one before it. Rings of neighbouring layers are the same or lie
 * wholly inside one another. Every side of a face is one of a wall, so that nothing gapes: a union of solids would cut
 * sides where another solid ends, and leave slits there.
 */
export function stacked(layers: readonly Layer[]): Triangle[] {
  const topOf = (layer: Layer | undefined) => layer?.top ?? layer?.rings ?? [];
  return [
    ...layers.flatMap(walls),
    ...layers.flatMap((layer, i) => faces(layer.from, topOf(layers[i - 1]), layer.rings)),
    ...(layers.length > 0 ? faces(layers.at(-1)!.to, topOf(layers.at(-1)), []) : []),
  ];
}
