import { escapedXml } from '../../markup';
import type { Point3 } from './mesh';
import { skinOf, type FamilyName } from './part';
import type { Triangle } from './stack';

/** It is looked at from the front right, from above: so far round, and so far up. */
const [ROUND, UP] = [(-35 * Math.PI) / 180, (32 * Math.PI) / 180];
/** Towards the light, from the left above. */
const LIGHT = unit([-0.45, -0.35, 0.82]);
/** Of the plastic where no light falls, and where it falls straight. */
const [DARK, BRIGHT] = [0.42, 1];
const PLASTIC = [226, 219, 203] as const;
const MARGIN_MM = 2;
/** An outline that was traced may have more corners than a picture shows. */
const MOST_FACES = 6000;

function unit([x, y, z]: Point3): Point3 {
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}

function normalOf([a, b, c]: Triangle): Point3 {
  const [u, v] = [b, c].map((point) => point.map((value, axis) => value - a[axis]!)) as [number[], number[]];
  return unit([u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!]);
}

const dot = (a: Point3, b: Point3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Towards the eye; to its right; upwards on the picture. */
const EYE: Point3 = [Math.cos(UP) * Math.sin(-ROUND), -Math.cos(UP) * Math.cos(ROUND), Math.sin(UP)];
const RIGHT: Point3 = [Math.cos(ROUND), Math.sin(-ROUND), 0];
const ABOVE: Point3 = [
  EYE[1] * RIGHT[2] - EYE[2] * RIGHT[1],
  EYE[2] * RIGHT[0] - EYE[0] * RIGHT[2],
  EYE[0] * RIGHT[1] - EYE[1] * RIGHT[0],
];

/** Where a point of a part lies on its picture, mm, y down. */
const onPicture = (point: Point3): [number, number] => [dot(point, RIGHT), -dot(point, ABOVE)];

/**
 * A part as one would see it on the bench, as SVG: each face that looks towards the eye, in the light of its side.
 * Parts are stacks of slices: drawn from the lowest upwards, walls before what lies on them, nothing covers what lies
 * before it.
 *
 * @param title what it is, for who does not see it
 * @returns `null` for an outline of more corners than a picture shows
 * @throws Refusal for sizes that cannot be made
 */
export function partPicture(name: FamilyName, sizes: object, title: string): string | null {
  const faces = skinOf(name, sizes)
    .map((triangle) => ({ triangle, normal: normalOf(triangle) }))
    .filter(({ normal }) => dot(normal, EYE) > 1e-6);
  if (faces.length === 0 || faces.length > MOST_FACES) return null;
  const heightOf = (triangle: Triangle) => Math.max(...triangle.map(([, , z]) => z));
  const nearness = (triangle: Triangle) => Math.max(...triangle.map((point) => dot(point, EYE)));
  const lies = (normal: Point3) => (normal[2] > 0.999 ? 1 : 0);
  const ordered = faces.sort(
    (a, b) =>
      heightOf(a.triangle) - heightOf(b.triangle) ||
      lies(a.normal) - lies(b.normal) ||
      nearness(a.triangle) - nearness(b.triangle),
  );
  const points = ordered.flatMap(({ triangle }) => triangle.map(onPicture));
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const least = (values: number[]) => values.reduce((a, b) => Math.min(a, b)) - MARGIN_MM;
  const most = (values: number[]) => values.reduce((a, b) => Math.max(a, b)) + MARGIN_MM;
  const box = [least(xs), least(ys), most(xs) - least(xs), most(ys) - least(ys)].map((value) => value.toFixed(2));
  const shade = (normal: Point3) => {
    const lit = DARK + (BRIGHT - DARK) * Math.max(0, dot(normal, LIGHT));
    return `#${PLASTIC.map((value) =>
      Math.round(value * lit)
        .toString(16)
        .padStart(2, '0'),
    ).join('')}`;
  };
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.join(' ')}" width="${box[2]}mm" height="${box[3]}mm">`,
    `<title>${escapedXml(title)}</title>`,
    ...ordered.map(({ triangle, normal }) => {
      const path = triangle
        .map((point) =>
          onPicture(point)
            .map((value) => value.toFixed(2))
            .join(),
        )
        .join(' ');
      // Its own colour along the edge too: no paper shows between two faces.
      return `<polygon points="${path}" fill="${shade(normal)}" stroke="${shade(normal)}" stroke-width="0.12"/>`;
    }),
    '</svg>',
  ].join('');
}
