import { labToLinear } from '../colour/lab';
import type { Lab } from '../colour/types';
import { rustOn, rustPixels, rustShare } from './rustShare';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PATCHES, someShot } from '@/simulators/camera/rooms';
import { rustScene, someRustedFace } from '@/simulators/camera/rust';
import { trueRustShare } from '@/simulators/camera/rustedFace';
import { takePhotograph } from '@/simulators/camera/shot';

const METAL: Lab = [68, 0, 1];
const RUST: Lab = [40, 19, 28];

/** A face of so many cells whose colours are given, under light that falls off. */
function plane(of: (x: number, y: number) => Lab, [columns, rows] = [100, 60], falls = 0) {
  const light = new Float32Array(3 * columns * rows);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      light.set(
        labToLinear(of(x, y)).map((v) => v * (1 - (falls * x) / columns)),
        3 * (y * columns + x),
      );
  return { columns, rows, light };
}

it('counts a patch of rust to a hundredth, however the light falls', () => {
  const patch = (x: number, y: number) => (x >= 20 && x < 45 && y >= 10 && y < 40 ? RUST : METAL);
  for (const falls of [0, 0.5]) {
    const { share, low, high } = rustOn(plane(patch, [100, 60], falls));
    expect(share).toBeCloseTo((25 * 30) / (96 * 56), 2);
    expect(low).toBeLessThanOrEqual(share);
    expect(high).toBeGreaterThanOrEqual(share);
  }
});

it('takes neither yellow plating nor a grey stain nor dark holes for rust; holes are pits, wide ones are not', () => {
  const yellow: Lab = [68, 0.5, 14];
  expect(rustOn(plane((x) => (x < 50 ? METAL : yellow))).share).toBeLessThan(0.01);
  const spot = rustOn(plane((x, y) => (x > 40 && x < 60 && y > 20 && y < 40 ? [40, 0, 0] : METAL)));
  expect(spot.share).toBe(0);
  expect(spot.pits).toBe(0);
  const pits = rustOn(plane((x, y) => (x % 20 === 10 && y % 20 === 10 ? [12, 0, 0] : METAL)));
  expect(pits.share).toBe(0);
  expect(pits.pits).toBeCloseTo(15 / (96 * 56), 4);
});

it('a cell that rust covers by two thirds counts, one that it covers by a quarter does not', () => {
  const [metal, rust] = [labToLinear(METAL), labToLinear(RUST)];
  const face = (cover: number) => {
    const made = plane((x) => (x < 30 ? RUST : METAL));
    for (let y = 0; y < 60; y++)
      for (let x = 60; x < 90; x++)
        made.light.set(
          metal.map((v, k) => (1 - cover) * v + cover * rust[k]!),
          3 * (y * 100 + x),
        );
    return rustOn(made).share;
  };
  expect(face(0.66) - face(0.25)).toBeCloseTo((30 * 56) / (96 * 56), 2);
});

it('refuses what cannot be told: no card, no clean metal, no light', () => {
  expect(() => rustOn(plane(() => [3, 0, 0]))).toThrow(/too dark/);
  const noise = (x: number, y: number): Lab => [40, 16 + 8 * Math.sin(x * y + 0.37 * x), 20];
  expect(() => rustOn(plane((x, y) => (x < 8 ? METAL : noise(x, y))))).toThrow(/clean metal/);
  // Of one rust all over nothing is clean, however even it is.
  expect(() => rustOn(plane(() => RUST))).toThrow(/clean metal/);
  expect(() =>
    rustShare({ width: 4, height: 4, data: new Uint8ClampedArray(64) }, { card: [], regions: [] }, 'face'),
  ).toThrow(/warm lamp and rust look alike/);
});

it('on photographs of rusted faces in ordinary rooms it is off by a few hundredths, and draws what it counts', async () => {
  for (const seed of [3, 4, 8]) {
    const face = someRustedFace(seed);
    const { picture, spec } = takePhotograph(rustScene(face, PATCHES[3]), someShot('good', seed, 1000));
    const seen = rustShare(await decodePicture(await toJpeg(picture, { quality: 85 })), spec, 'metal');
    expect(Math.abs(seen.share - trueRustShare(face))).toBeLessThan(0.05);
    const pixels = rustPixels(seen);
    let orange = 0;
    for (let p = 0; p < pixels.length; p += 4) if (pixels[p] === 176) orange++;
    expect(orange).toBe(seen.cover.reduce((sum, value) => sum + (value >= 0.5 ? 1 : 0), 0));
  }
});
