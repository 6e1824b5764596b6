import type { Triangle } from './stack';

export type Point3 = Triangle[number];

/** The skin of a part by its corners, each once, so that sides of triangles can be told apart by numbers. */
export interface Mesh {
  points: readonly Point3[];
  /** Three corners of each triangle, by their place among the points, against the clock seen from outside. */
  faces: readonly (readonly [number, number, number])[];
}

export function meshOf(triangles: readonly Triangle[]): Mesh {
  const places = new Map<string, number>();
  const points: Point3[] = [];
  const placeOf = (point: Point3): number => {
    const name = `${point[0]} ${point[1]} ${point[2]}`;
    const known = places.get(name);
    if (known !== undefined) return known;
    places.set(name, points.length);
    return points.push(point) - 1;
  };
  return { faces: triangles.map(([a, b, c]) => [placeOf(a), placeOf(b), placeOf(c)] as const), points };
}

/** Whether each side lies on two triangles that are turned the same way: it holds water. */
export function isWatertight({ points, faces }: Mesh): boolean {
  const sides = new Set<number>();
  for (const face of faces)
    for (let i = 0; i < 3; i++) {
      const side = face[i]! * points.length + face[(i + 1) % 3]!;
      if (sides.has(side)) return false;
      sides.add(side);
    }
  for (const side of sides)
    if (!sides.has((side % points.length) * points.length + Math.floor(side / points.length))) return false;
  return true;
}
