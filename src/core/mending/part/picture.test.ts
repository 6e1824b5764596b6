import { FAMILIES, FAMILY_NAMES, type FamilyName } from './families';
import { partPicture } from './picture';
import { skinOf } from './part';

type Pair = readonly [number, number];

const example = (name: FamilyName) => FAMILIES[name].example as unknown as Record<string, number>;

const facesOf = (svg: string) =>
  [...svg.matchAll(/<polygon points="([^"]+)" fill="([^"]+)"/g)].map(([, points, fill]) => ({
    fill: fill!,
    corners: points!.split(' ').map((pair) => pair.split(',').map(Number)) as unknown as [Pair, Pair, Pair],
  }));

/** Shares of the three corners at a point; `null` where it lies outside. */
function within([a, b, c]: readonly [Pair, Pair, Pair], [x, y]: Pair): [number, number, number] | null {
  const area = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
  if (Math.abs(area) < 1e-9) return null;
  const u = ((x - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (y - a[1])) / area;
  const v = ((b[0] - a[0]) * (y - a[1]) - (x - a[0]) * (b[1] - a[1])) / area;
  return u < 0 || v < 0 || u + v > 1 ? null : [1 - u - v, u, v];
}

/** The way that the picture is looked at, found from how the axes of a part lie on it: another sum than the picture’s own. */
const [turn, rise] = [(35 * Math.PI) / 180, (32 * Math.PI) / 180];
const seenAt = ([x, y, z]: readonly number[]): { at: Pair; near: number } => {
  const along = x! * Math.cos(turn) + y! * Math.sin(turn);
  const back = -x! * Math.sin(turn) + y! * Math.cos(turn);
  return {
    at: [along, -(back * Math.sin(rise) + z! * Math.cos(rise))],
    near: -back * Math.cos(rise) + z! * Math.sin(rise),
  };
};

it('a box shows its three faces that look here, the upper one the brightest, each wholly on the picture', () => {
  const svg = partPicture('blanking-plate', example('blanking-plate'), 'A <plate> & more')!;
  expect(svg).toContain('<title>A &lt;plate&gt; &amp; more</title>');
  const faces = facesOf(svg);
  const tones = [...new Set(faces.map(({ fill }) => fill))];
  expect(tones).toHaveLength(3);
  const bright = (fill: string) => parseInt(fill.slice(1, 3), 16);
  expect(Math.max(...tones.map(bright))).toBe(bright(faces[faces.length - 1]!.fill));
  const [x, y, width, height] = /viewBox="([^"]+)"/.exec(svg)![1]!.split(' ').map(Number) as [
    number,
    number,
    number,
    number,
  ];
  for (const [px, py] of faces.flatMap(({ corners }) => corners)) {
    expect(px).toBeGreaterThanOrEqual(x + 1.9);
    expect(px).toBeLessThanOrEqual(x + width - 1.9);
    expect(py).toBeGreaterThanOrEqual(y + 1.9);
    expect(py).toBeLessThanOrEqual(y + height - 1.9);
  }
});

it.each(FAMILY_NAMES)('%s: what is drawn last at a place is what lies nearest there', (name) => {
  const faces = facesOf(partPicture(name, example(name), name)!);
  // The truth: of all faces, also those that look away, the nearest along the ray.
  const solid = skinOf(name, example(name)).map((triangle) => triangle.map(seenAt));
  const points = faces.flatMap(({ corners }) => corners);
  const [left, right] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))];
  const [top, bottom] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))];
  let [looked, wrong, missed] = [0, 0, 0];
  for (let i = 0; i < 41; i++)
    for (let j = 0; j < 41; j++) {
      const place: Pair = [left + ((i + 0.37) / 41) * (right - left), top + ((j + 0.61) / 41) * (bottom - top)];
      const hits = solid.flatMap((corners) => {
        const shares = within(corners.map(({ at }) => at) as unknown as [Pair, Pair, Pair], place);
        return shares ? [{ corners, near: shares.reduce((sum, share, k) => sum + share * corners[k]!.near, 0) }] : [];
      });
      const drawn = faces.filter(({ corners }) => within(corners, place)).at(-1);
      if (hits.length === 0) {
        if (drawn) missed++;
        continue;
      }
      looked++;
      const nearest = Math.max(...hits.map(({ near }) => near));
      const shown = hits.filter(
        ({ corners }) =>
          drawn !== undefined &&
          corners.every(({ at }) => drawn.corners.some(([x, y]) => Math.hypot(x - at[0], y - at[1]) < 0.02)),
      );
      // On the edge between two faces either is right, and they lie at one depth there.
      if (!drawn || (shown.length > 0 && Math.max(...shown.map(({ near }) => near)) < nearest - 0.1)) wrong++;
    }
  expect(looked).toBeGreaterThan(60);
  expect(missed).toBeLessThanOrEqual(2);
  expect(wrong / looked).toBeLessThan(0.02);
});

it('an outline of more corners than a picture shows has none', () => {
  const ring = Array.from({ length: 4000 }, (_, i): [number, number] => [
    50 + 40 * Math.cos((i * Math.PI) / 2000),
    50 + 40 * Math.sin((i * Math.PI) / 2000),
  ]);
  const plate = { ...example('plate'), outline: ring } as never;
  expect(partPicture('plate', plate, 'plate')).toBeNull();
  expect(partPicture('plate', example('plate'), 'plate')).not.toBeNull();
});
