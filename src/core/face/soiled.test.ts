import fc from 'fast-check';
import { desktopFront, face, homeComputer } from '@/simulators/camera/machines';
import { NO_PHONE } from '@/simulators/camera/phone';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Room, type Shot } from '@/simulators/camera/shot';
import type { Soiling } from '@/simulators/camera/scene';
import { trueSoiledShare } from '@/simulators/camera/soil';
import { labToLinear } from '../colour/lab';
import { DARKER_PER_B } from '../colour/plasticScale';
import type { Lab } from '../colour/types';
import { canBeSameFace, faceOf } from './face';
import { placeOnFace } from './placeOnFace';
import type { FacePlane } from '../picture/plane';
import { seededRandom } from '../rehearse/seededRandom';
import { leftSpots, soiledBetween } from './soiled';

const [COLUMNS, ROWS] = [120, 80];

/** A face whose colour follows its place, 0 to 1 across and down. */
function plane(colour: (u: number, v: number) => Lab): FacePlane {
  const light = new Float32Array(3 * COLUMNS * ROWS);
  for (let row = 0; row < ROWS; row++)
    for (let column = 0; column < COLUMNS; column++)
      light.set(labToLinear(colour((column + 0.5) / COLUMNS, (row + 0.5) / ROWS)), 3 * (row * COLUMNS + column));
  return { columns: COLUMNS, rows: ROWS, light };
}

const BONE: Lab = [86, 0, 8];
/** Soil with a soft edge around a place. */
const spot =
  (u0: number, v0: number, radius: number, darker: number, under: Lab = BONE) =>
  (u: number, v: number): Lab => {
    const near = Math.hypot((u - u0) * (COLUMNS / ROWS), v - v0) / radius;
    const deep = Math.min(1, Math.max(0, (1 - near) / 0.4));
    return [under[0] - darker * deep, under[1] + deep, under[2] + 2 * deep];
  };
const clean = plane(() => BONE);

describe('on plain plastic', () => {
  it('the share follows the soil, and a face washed clean is clean', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.35, noNaN: true }),
        fc.double({ min: 10, max: 25, noNaN: true }),
        (radius, darker) => {
          const dirty = plane(spot(0.5, 0.5, radius, darker));
          const { before, after } = soiledBetween(dirty, clean);
          // Darker than is seen: the soft edge counts so far in.
          const seen = radius * (1 - (0.4 * 4) / darker);
          expect(Math.abs(before.share - (Math.PI * seen * seen) / ((COLUMNS / ROWS) * 0.9))).toBeLessThan(0.05);
          expect(after.share).toBe(0);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('yellow alone is no soil: an aged area along the plastic scale counts as clean', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 30, noNaN: true }), (yellow) => {
        const aged = plane((u) => {
          const here = yellow * Math.min(1, Math.max(0, 8 * (0.6 - u)));
          return [BONE[0] - DARKER_PER_B * here, 1, BONE[2] + here];
        });
        expect(soiledBetween(aged, aged).after.share).toBe(0);
      }),
      { numRuns: 20 },
    );
  });

  it('names what is left as spots that hang together, the largest first, where they are', () => {
    const [small, large] = [spot(0.15, 0.2, 0.09, 18), spot(0.8, 0.8, 0.16, 18)];
    const left = plane((u, v) => (u < 0.5 ? small(u, v) : large(u, v)));
    const spots = leftSpots(soiledBetween(plane(spot(0.5, 0.5, 0.3, 20)), left).after);
    expect(spots.map(({ where }) => where)).toEqual(['bottom right', 'top left']);
    expect(Math.hypot(spots[0]!.across - 0.8, spots[0]!.down - 0.8)).toBeLessThan(0.03);
    expect(spots[0]!.share).toBeGreaterThan(spots[1]!.share);
    expect(leftSpots(soiledBetween(clean, clean).after)).toEqual([]);
    expect([placeOnFace(0.5, 0.5), placeOnFace(0, 0.5), placeOnFace(0.5, 1)]).toEqual([
      'in the middle',
      'at the left',
      'at the bottom',
    ]);
  });
});

describe('on a face of many parts', () => {
  /** Four rows of six keys with dark gaps; some grey, some of a colour of their own. */
  const keys = (of: (column: number, row: number) => Lab) =>
    plane((u, v) => {
      const [x, y] = [(6 * u) % 1, (4 * v) % 1];
      return x < 0.12 || y < 0.12 ? [18, 0, 0] : of(Math.floor(6 * u), Math.floor(4 * v));
    });
  const grey: Lab = [62, 0, 3];

  it('grey keys are clean grey, and gaps say nothing', () => {
    const board = keys((column) => (column === 0 ? grey : BONE));
    const { before, after } = soiledBetween(board, board);
    expect([before.share, after.share]).toEqual([0, 0]);
    expect(Number.isNaN(before.depth[0]!)).toBe(true);
  });

  it('a key that was soiled all over is known by how it came out', () => {
    const [dirty, washed] = [keys((column, row) => (column === 2 && row === 1 ? [70, 2, 12] : BONE)), keys(() => BONE)];
    const { before, after } = soiledBetween(dirty, washed);
    expect(before.share).toBeGreaterThan(0.5 / 24);
    expect(after.share).toBe(0);
  });

  it('a key that stayed brown all over is soiled; one of another colour is a part of its own', () => {
    const one = (lab: Lab) => keys((column, row) => (column === 3 && row === 2 ? lab : BONE));
    const shareOf = (lab: Lab) => soiledBetween(one(lab), one(lab)).after.share;
    expect(shareOf([66, 3, 14])).toBeGreaterThan(0.5 / 24);
    expect(shareOf([55, 50, 40])).toBe(0);
    expect(shareOf([50, -20, -10])).toBe(0);
  });
});

describe('in photographs of a machine with its keyboard, in two lights and from two places', () => {
  const shot = (seed: number, random: () => number): Shot => ({
    ...PLAIN_SHOT,
    width: 800,
    height: 600,
    seed,
    light: Object.values(LIGHTS)[seed % 5]!,
    tilt: 0.5 * random(),
    turnDeg: 4 * (random() - 0.5),
    gradient: { share: 0.08 * random(), angleDeg: 360 * random() },
  });

  it.each([22, 23])('the soiled share is near the true one before and after (seed %i)', (seed) => {
    const random = seededRandom(seed);
    const soil: Soiling[] = Array.from({ length: 9 }, (_, i) => ({
      at: [60 + 360 * random(), 80 + 180 * random()],
      radiusMm: 8 + 16 * random(),
      loss: 0.25 + 0.4 * random(),
      seed: 31 * seed + i,
    }));
    const made = (spots: readonly Soiling[]) =>
      homeComputer(
        { amount: 12, oneSided: { angleDeg: 0, farShare: 0.7 } },
        { amount: 16 },
        { face: true, soil: spots },
      );
    const [dirty, washed] = [made(soil), made(soil.slice(0, 2))];
    const [a, b] = [takePhotograph(dirty, shot(seed, random)), takePhotograph(washed, shot(seed + 1, random))];
    const then = faceOf(a.picture, a.spec, 'face', 360);
    const now = faceOf(b.picture, b.spec, 'face', 360, { shape: then.shape });
    expect(canBeSameFace(then, now)).toBe(true);
    const { before, after } = soiledBetween(then.plane, now.plane);
    expect(Math.abs(before.share - trueSoiledShare(dirty, 'face'))).toBeLessThan(0.02);
    expect(Math.abs(after.share - trueSoiledShare(washed, 'face'))).toBeLessThan(0.02);
  });

  it('a shadow over a clean face is no soil, and soil in it is not lost where it does not fall', () => {
    const room = (shadow: Room['shadow']): Room => ({
      lamps: [{ matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0], distance: 1000, share: 1 }],
      ...{ vignette: 0, flare: 0, glare: null, phone: NO_PHONE, shadow },
    });
    const soil: Soiling[] = [{ at: [110, 250], radiusMm: 18, loss: 0.5, seed: 3 }];
    const made = (spots: readonly Soiling[]) => face('plain', { amount: 10 }, spots);
    const plain = { ...PLAIN_SHOT, width: 800, height: 600, gradient: { share: 0, angleDeg: 0 } };
    const shade = { at: [0.12, 0] as const, angleDeg: 0, soft: 0.03, depth: 0.3 };
    const [a, b] = [
      takePhotograph(made(soil), { ...plain, room: room(null) }),
      takePhotograph(made([]), { ...plain, seed: 4, room: room(shade) }),
    ];
    const then = faceOf(a.picture, a.spec, 'face', 360);
    const now = faceOf(b.picture, b.spec, 'face', 360, { shape: then.shape });
    const { before, after, unsure } = soiledBetween(then.plane, now.plane);
    expect(after.share).toBeLessThan(0.01);
    expect(before.share).toBeGreaterThan(0.005);
    expect(unsure).toBe(false);
  });

  it('a face that is mostly soiled in both pictures is said to be unsure', () => {
    const dirty = plane(spot(0.5, 0.5, 0.75, 20));
    expect(soiledBetween(dirty, dirty).unsure).toBe(true);
    expect(soiledBetween(dirty, clean).unsure).toBe(false);
    expect(soiledBetween(clean, clean).unsure).toBe(false);
  });

  it('another machine’s face is not the same one', () => {
    const random = seededRandom(5);
    const [a, b] = [
      takePhotograph(homeComputer({ amount: 9 }, { amount: 9 }, { face: true }), shot(1, random)),
      takePhotograph(desktopFront({ amount: 9 }), shot(2, random)),
    ];
    const then = faceOf(a.picture, a.spec, 'face', 240);
    expect(canBeSameFace(then, faceOf(b.picture, b.spec, 'fascia', 240, { shape: then.shape }))).toBe(false);
  });
});
