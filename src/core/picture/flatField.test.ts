import { homeComputer } from '@/simulators/camera/machines';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { labToSrgb, linearToLab } from '../colour/lab';
import { evened } from './flatField';
import { measurePicture } from './measure';
import type { Picture } from './picture';
import { lightChanges } from './warnings';

/** A plain sheet under a light that falls off from left to right. */
function sheet(left: number, right: number, width = 200, height = 150): Picture {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const level = left + ((right - left) * (x + 0.5)) / width;
      data.set([...labToSrgb(linearToLab([level, level, level])), 255], 4 * (y * width + x));
    }
  return { width, height, data };
}

it('makes its own sheet even, and leaves a picture under even light as it is', () => {
  const slope = sheet(0.5, 0.25);
  const { data } = evened(slope, slope);
  const greens = Array.from({ length: 200 }, (_, x) => data[4 * (75 * 200 + x) + 1]!);
  expect(Math.max(...greens.slice(8, -8)) - Math.min(...greens.slice(8, -8))).toBeLessThanOrEqual(2);
  const even = sheet(0.4, 0.4);
  expect(Math.max(...evened(slope, even).data.map((code, i) => Math.abs(code - slope.data[i]!)))).toBeLessThanOrEqual(
    1,
  );
});

it('takes an uneven lamp off a photographed piece', () => {
  const gradient = { share: 0.5, angleDeg: 0 };
  const shot = { ...PLAIN_SHOT, width: 640, height: 480, gradient, noiseCodes: 1 };
  const { picture, spec } = takePhotograph(homeComputer({ amount: 12 }, { amount: 12 }), shot);
  const flat = sheet(0.45 * (1 - gradient.share / 2), 0.45 * (1 + gradient.share / 2), 320, 240);
  const evennessOf = (of: Picture) =>
    measurePicture(of, { ...spec, reference: 'hidden' }).result.regions.find(({ id }) => id === 'lid')!;
  const warned = (of: Picture) => lightChanges(measurePicture(of, { ...spec, reference: 'hidden' }).result.warnings);
  expect(warned(picture)).toBe(true);
  expect(warned(evened(picture, flat))).toBe(false);
  // The bench shows the lamp as well: both are even in the end.
  for (const one of [picture, evened(picture, flat)]) expect(evennessOf(one).evenness).toBeLessThan(1.5);
});

it('refuses a sheet that is none, and one in the dark', () => {
  const { picture } = takePhotograph(homeComputer({ amount: 5 }, { amount: 5 }), {
    ...PLAIN_SHOT,
    width: 320,
    height: 240,
  });
  expect(() => evened(picture, picture)).toThrow('not plain');
  expect(() => evened(picture, sheet(0.01, 0.01))).toThrow('too dark');
});
