import fc from 'fast-check';
import { seededRandom } from '@/simulators/camera/random';
import { srgbToLab } from '../colour/lab';
import { countColours, withColourTable, type RegionColours } from './colourTable';
import { NO_CORRECTION } from './correction';
import { deltaMap, resetScratch } from './deltaMap';
import { pixelWords, type Picture } from './picture';
import { polygonRuns, rectPolygon } from './polygon';
import { robustColour } from './robust';

const WIDTH = 24;
const HEIGHT = 16;

/** A picture of a few colours, made from one number: shrinking a million pixels would take longer than the test. */
const picture = fc.integer({ min: 1, max: 1_000_000 }).map((seed): Picture => {
  const random = seededRandom(seed);
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT).fill(255);
  for (let i = 0; i < data.length; i++) if (i % 4 !== 3) data[i] = 60 + 50 * Math.floor(4 * random());
  return { width: WIDTH, height: HEIGHT, data };
});
const whole = polygonRuns(rectPolygon([0, 0, WIDTH, HEIGHT]), WIDTH, HEIGHT);

function counted(seen: Picture): RegionColours {
  return withColourTable((table) => {
    const used = countColours(table, pixelWords(seen), WIDTH, whole, NO_CORRECTION, 'regions[0].polygon');
    return { result: used, used };
  });
}

it('counts every pixel under its own colour', () => {
  fc.assert(
    fc.property(picture, (seen) => {
      const expected = new Map<number, number>();
      for (let i = 0; i < seen.data.length; i += 4) {
        const code = (seen.data[i + 2]! << 16) | (seen.data[i + 1]! << 8) | seen.data[i]!;
        expected.set(code, (expected.get(code) ?? 0) + 1);
      }
      const { codes, counts, size, labs } = counted(seen);
      expect(size).toBe(expected.size);
      for (let id = 0; id < size; id++) {
        expect(counts[id]).toBe(expected.get(codes[id]!));
        const lab = srgbToLab([codes[id]! & 255, (codes[id]! >> 8) & 255, codes[id]! >> 16]);
        lab.forEach((value, c) => expect(labs[3 * id + c]).toBeCloseTo(value, 3));
      }
    }),
    { numRuns: 25 },
  );
});

it('gives the table back clean, also after a refusal', () => {
  fc.assert(
    fc.property(picture, picture, (first, second) => {
      const alone = counted(second);
      counted(first);
      expect(counted(second)).toEqual(alone);
      const transparent = { ...first, data: first.data.map((v, i) => (i === 4 * 100 + 3 ? 10 : v)) };
      expect(() => counted(transparent)).toThrow('transparent');
      expect(counted(second)).toEqual(alone);
    }),
    { numRuns: 15 },
  );
});

it('takes the weighted median, and leaves outliers out', () => {
  const labs = Float32Array.from([80, 0, 10, 80.4, 0, 10.4, 81, 0, 11, 30, 0, 2]);
  const robust = robustColour(labs, Int32Array.from([100, 300, 100, 20]), 4);
  expect(robust.lab[0]).toBeCloseTo(80.4, 1);
  expect(robust.lab[2]).toBeCloseTo(10.4, 1);
  expect(Array.from(robust.used)).toEqual([1, 1, 1, 0]);
  expect(robust.usedCount).toBe(500);
});

it('the map holds each pixel’s distance in hundredths, in the order of the picture', () => {
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i++) data.set(i % 2 === 0 ? [220, 215, 200, 255] : [214, 196, 140, 255], 4 * i);
  const seen: Picture = { width: WIDTH, height: HEIGHT, data };
  resetScratch();
  const map = withColourTable((table) => {
    const words = pixelWords(seen);
    const used = countColours(table, words, WIDTH, whole, NO_CORRECTION, '');
    const robust = { ...robustColour(used.labs, used.counts, used.size), plastic: new Uint8Array(used.size).fill(1) };
    return { result: deltaMap('all', table, words, WIDTH, whole, used, robust, srgbToLab([220, 215, 200])), used };
  });
  expect(map.deltaE[0]).toBe(0);
  expect(map.deltaE[1]! / 100).toBeGreaterThan(8);
  expect(map.deltaE[2]).toBe(0);
  expect(map.cells.deltaB.some((value) => value > 5)).toBe(true);
});
