import fc from 'fast-check';
import type { Corners } from '../../picture/corners';
import type { Picture, Point } from '../../picture/picture';
import { FIRST_DOT, heldPhone, markScene, reachOf, seenAt, type Held } from '@/simulators/camera/markSheets';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { outlineOf } from '../outline/outline';
import { findMarks } from './findMarks';
import { atHeight, bent, cameraOver, focusOf, onRims, planeOfThing, spreadOf, unbent } from './plane';
import { marksOf, MARK_SHEETS, type MarkSheet } from './sheet';
import { sizeOn } from './sizes';
import type { SizeKind } from './sizeKinds';

const SIZE = { width: 1300, height: 975 };
const [LARGE, SMALL] = MARK_SHEETS as [MarkSheet, MarkSheet];
const PRINTED = 0.99;

/** A block of 40 × 24 mm with a hole of 8 mm, so thick, on a sheet that was printed a hundredth too small. */
function photographed(
  sheet: MarkSheet,
  thicknessMm: number,
  seed: number,
): { picture: Picture; phone: Held; at: Point } {
  const at: Point = sheet === LARGE ? [60, 100] : [22, 36];
  const phone = heldPhone(seed, SIZE, reachOf(sheet), 10);
  const part = {
    ...{ widthMm: 40, heightMm: 24, radiusMm: 1.5, lab: [55, 1, 16] as [number, number, number], thicknessMm, at },
    holes: thicknessMm === 0 ? [{ box: [6, 8, 8, 8] as const, radiusMm: 4 }] : [],
  };
  const scene = markScene(sheet, part, phone.standing, { printed: PRINTED, shadowMm: 0.01 });
  return { picture: takePhotograph(scene, { ...PLAIN_SHOT, ...SIZE, pinhole: phone, seed }).picture, phone, at };
}

const onPhoto = (phone: Held, at: Point, [x, y]: Point): Point =>
  seenAt(phone, SIZE, [FIRST_DOT[0] + at[0] + x, FIRST_DOT[1] + at[1] + y]);

const cropped = ({ data, width, height }: Picture, to: number): Picture => {
  const out = new Uint8ClampedArray(4 * to * height);
  for (let y = 0; y < height; y++) out.set(data.subarray(4 * y * width, 4 * (y * width + to)), 4 * y * to);
  return { width: to, height, data: out };
};

describe('the sheet of marks', () => {
  const flat = photographed(SMALL, 0, 3);
  const scale = { barMm: 100 * PRINTED };

  it('tells every place of its pattern from every other, whichever way it lies', () => {
    const rows = MARK_SHEETS.flatMap((sheet) => {
      const rings = new Map(marksOf(sheet).map(({ column, row, ring }) => [`${column},${row}`, ring]));
      // Along the rim, where two rows of dots lie: windows of two by seven, each both ways round.
      const windows: string[] = [];
      for (let column = 0; column + 7 <= sheet.columns; column++)
        for (const top of [0, sheet.rows - 2]) {
          const seen = Array.from({ length: 14 }, (_, k) =>
            rings.get(`${column + (k % 7)},${top + Math.floor(k / 7)}`) ? 1 : 0,
          );
          windows.push(seen.join(''), [...seen].reverse().join(''));
        }
      return windows;
    });
    expect(new Set(rows).size).toBe(rows.length);
  });

  it.each([
    ['large', LARGE, 4],
    ['small', SMALL, 3],
  ] as const)('is found by itself, %s, with the camera over it', (name, sheet, seed) => {
    const { picture, phone } = sheet === SMALL ? flat : photographed(sheet, 0, seed);
    const found = findMarks(picture, scale)!;
    expect(found.sheet.name).toBe(name);
    expect(found.share).toBeGreaterThan(0.9);
    expect(found.offMm).toBeLessThan(0.1);
    expect(Math.abs(found.plane.camera.heightMm / phone.standing.heightMm - 1)).toBeLessThan(0.1);
    expect(
      Math.hypot(
        found.plane.camera.foot[0] + FIRST_DOT[0] - phone.standing.foot[0],
        found.plane.camera.foot[1] + FIRST_DOT[1] - phone.standing.foot[1],
      ),
    ).toBeLessThan(6);
  });

  it('is not found where none lies, and refused where most of it is out of the picture', () => {
    const grey = { ...SIZE, data: new Uint8ClampedArray(4 * SIZE.width * SIZE.height).fill(120) };
    expect(findMarks(grey)).toBeNull();
    expect(() => sizeOn(grey, { kind: 'area', marks: [[40, 40]] })).toThrow(/No sheet of marks is seen/);
    expect(() => findMarks(cropped(flat.picture, 420))).toThrow(/Too little of the sheet/);
  });

  it.each([
    [
      'length',
      [
        [-0.4, 12],
        [40.4, 12],
      ],
      40,
    ],
    [
      'length',
      [
        [20, -0.3],
        [20, 24.3],
      ],
      24,
    ],
    ['round', [[10, 12]], 8],
    [
      'angle',
      [
        [20, 0],
        [0.6, 0.6],
        [0, 14],
      ],
      90,
    ],
    ['area', [[30, 18]], 40 * 24 - (4 - Math.PI) * 1.5 ** 2],
  ] as [SizeKind, Point[], number][])('measures a %s, and its band holds it', (kind, marks, should) => {
    const { phone, at, picture } = flat;
    const size = sizeOn(picture, { ...scale, kind, marks: marks.map((mark) => onPhoto(phone, at, mark)) });
    // A corner is round, so that its mark stays beside it.
    expect(Math.abs(size.value / should - 1)).toBeLessThan(kind === 'angle' ? 0.06 : 0.012);
    if (kind !== 'angle') expect(Math.abs(size.value - should)).toBeLessThan(3 * size.sd + 0.1);
    expect(size.sd).toBeGreaterThan(0);
  });

  it('takes a wall for a wall: a block of 10 mm is as large as it is, seen aslant', () => {
    const { picture, phone, at } = photographed(LARGE, 10, 6);
    const inside = onPhoto(phone, at, [26, 14]);
    const sides = (thicknessMm: number) => {
      const { outline } = outlineOf(picture, { ...scale, inside, thicknessMm });
      return ([0, 1] as const).map((axis) => {
        const along = outline.map((point) => point[axis]);
        return Math.max(...along) - Math.min(...along);
      });
    };
    const [w, h] = sides(10);
    expect(Math.abs(w! - 40)).toBeLessThan(0.5);
    expect(Math.abs(h! - 24)).toBeLessThan(0.5);
    // As if it lay flat it would be too large.
    expect(sides(0)[0]! - 40).toBeGreaterThan(1);
  });
});

describe('a ground on a photograph', () => {
  const frame = { width: 2000, height: 1500 };

  it('loses the bend of a lens and gets it back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.06, max: 0.06, noNaN: true }),
        fc.double({ min: -0.03, max: 0.03, noNaN: true }),
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 0, max: 1500 }),
        (a, b, x, y) => {
          const [bx, by] = bent(frame, { a, b }, unbent(frame, { a, b }, [x, y]));
          expect(Math.hypot(bx - x, by - y)).toBeLessThan(0.05);
        },
      ),
    );
  });

  it('takes places of a plane to where they are, seen from anywhere', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.8, max: 2, noNaN: true }),
        fc.double({ min: 150, max: 600, noNaN: true }),
        (aslant, from, f, far) => {
          const at = [
            far * Math.sin(aslant) * Math.cos(from),
            far * Math.sin(aslant) * Math.sin(from),
            far * Math.cos(aslant),
          ];
          const ahead = at.map((v) => -v / far);
          // Any turn does: to the right of the way it looks, level with the bench.
          const right = [-Math.sin(from), Math.cos(from), 0].map((v) => -v);
          const down = [
            -(ahead[1]! * right[2]! - ahead[2]! * right[1]!),
            -(ahead[2]! * right[0]! - ahead[0]! * right[2]!),
            -(ahead[0]! * right[1]! - ahead[1]! * right[0]!),
          ];
          const seen = ([x, y]: Point): Point => {
            const d = [x - at[0]!, y - at[1]!, -at[2]!];
            const dot = (v: readonly number[]) => v[0]! * d[0]! + v[1]! * d[1]! + v[2]! * d[2]!;
            const s = Math.hypot(frame.width, frame.height) / 2;
            return [
              frame.width / 2 + (s * f * dot(right)) / dot(ahead),
              frame.height / 2 + (s * f * dot(down)) / dot(ahead),
            ];
          };
          const corners = (
            [
              [-40, -30],
              [40, -30],
              [40, 30],
              [-40, 30],
            ] as Point[]
          ).map(seen) as unknown as Corners;
          const plane = planeOfThing(frame, { corners, widthMm: 80, heightMm: 60 });
          const [x, y] = plane.toMm(seen([17, -11]));
          expect(Math.hypot(x - 57, y - 19)).toBeLessThan(0.01);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('knows the focal length where the plane is seen aslant, and has no weight from straight above', () => {
    // Unit plane seen from straight above: the projection is a scale.
    expect(focusOf([100, 0, 0, 0, 100, 0, 0, 0, 1]).weight).toBe(0);
    expect(cameraOver([100, 0, 0, 0, 100, 0, 0, 0, 1], 1).heightMm).toBeCloseTo(100, 6);
    expect(cameraOver([100, 0, 0, 0, 100, 0, 0, 0, 1], 0.25).heightMm).toBeCloseTo(200, 6);
  });

  it('is as sure as its corners are: nothing off by nothing, and less the farther from them', () => {
    const corners: Corners = [
      [800, 600],
      [1200, 600],
      [1200, 850],
      [800, 850],
    ];
    const plane = planeOfThing(frame, { corners, widthMm: 80, heightMm: 50 });
    expect(spreadOf(plane, () => 3)).toBe(0);
    const across = (x: number) => spreadOf(plane, ({ toMm }) => toMm([x, 700])[0]);
    expect(across(1900)).toBeGreaterThan(2 * across(1200));
  });

  it('takes a rim to its height: towards the foot, the more the higher; a ring on one rim stays alike', () => {
    const camera = { foot: [10, 20] as Point, heightMm: 200 };
    expect(atHeight(camera, [110, 20], 10)).toEqual([105, 20]);
    expect(atHeight(camera, [10, 20], 50)).toEqual([10, 20]);
    const ring: Point[] = [
      [0, 0],
      [40, 0],
      [40, 30],
      [0, 30],
    ];
    expect(onRims(camera, ring, 0, 0)).toEqual(ring);
  });
});
