import exifr from 'exifr';
import sharp from 'sharp';
import { deltaE00 } from '@/core/colour/difference';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from './jpeg';
import { desktopFront, handheld, homeComputer } from './machines';
import { homographyThrough, project } from '@/core/picture/homography';
import { seededRandom, smoothField } from './random';
import { agedLab, trueLab, yellowField } from './scene';
import { PLAIN_SHOT, takePhotograph } from './shot';

const SMALL = { ...PLAIN_SHOT, width: 320, height: 240 };

it('the same shot is the same picture, another seed is not', () => {
  const scene = homeComputer({ amount: 10 }, { amount: 10 });
  const bytes = (seed: number) => Buffer.from(takePhotograph(scene, { ...SMALL, seed }).picture.data);
  expect(bytes(4).equals(bytes(4))).toBe(true);
  expect(bytes(4).equals(bytes(5))).toBe(false);
});

it('truth follows the yellowing: hidden patch clean, one side paler', () => {
  for (const scene of [
    homeComputer({ amount: 20 }, { amount: 9 }),
    desktopFront({ amount: 20 }),
    handheld({ amount: 20 }),
  ]) {
    const [piece] = scene.regions.map(({ id }) => trueLab(scene, id));
    expect(deltaE00(trueLab(scene, 'hidden'), [87, -0.6, 5])).toBeLessThan(0.1);
    expect(piece![2]).toBeCloseTo(25, 1);
  }
  const fading = yellowField({ amount: 20, oneSided: { angleDeg: 0, farShare: 0.5 } }, [0, 0, 100, 100]);
  expect(fading(1, 50)).toBeGreaterThan(fading(99, 50) * 1.9);
  expect(agedLab([87, 0, 5], 20)).toEqual([expect.closeTo(81.4, 5), expect.closeTo(2.2, 5), 25]);
});

it('a projection takes its points where they belong', () => {
  const to: [number, number][] = [
    [10, 12],
    [310, 30],
    [290, 220],
    [25, 200],
  ];
  const from: [number, number][] = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ];
  const h = homographyThrough(from, to);
  from.forEach((point, i) => project(h, point).forEach((v, c) => expect(v).toBeCloseTo(to[i]![c]!, 6)));
});

it.each([1, 3, 6, 8] as const)(
  'writes EXIF time and orientation %d, and the picture is upright again when read',
  async (orientation) => {
    const { picture } = takePhotograph(desktopFront({ amount: 12 }), { ...SMALL, noiseCodes: 0 });
    const jpeg = await toJpeg(picture, { quality: 95, takenAt: new Date(2026, 5, 21, 10, 30), orientation });
    const tags = (await exifr.parse(jpeg, { reviveValues: false, translateValues: false })) as {
      Orientation: number;
      DateTimeOriginal: string;
    };
    expect(tags.Orientation).toBe(orientation);
    expect(tags.DateTimeOriginal).toBe('2026:06:21 10:30:00');
    const back = await decodePicture(jpeg);
    expect([back.width, back.height]).toEqual([320, 240]);
    const at = 4 * (120 * 320 + 80);
    for (let c = 0; c < 3; c++) expect(Math.abs(back.data[at + c]! - picture.data[at + c]!)).toBeLessThan(12);
  },
);

it('noise is what was asked for', () => {
  const clean = takePhotograph(desktopFront({ amount: 0 }), { ...SMALL, noiseCodes: 0 }).picture.data;
  const noisy = takePhotograph(desktopFront({ amount: 0 }), { ...SMALL, noiseCodes: 3 }).picture.data;
  let square = 0;
  for (let i = 0; i < clean.length; i += 4) square += (noisy[i]! - clean[i]!) ** 2;
  const sd = Math.sqrt(square / (clean.length / 4));
  expect(sd).toBeGreaterThan(1.5);
  expect(sd).toBeLessThan(6);
});

it('random sources are even and repeat themselves', () => {
  const random = seededRandom(9);
  const mean = Array.from({ length: 4000 }, random).reduce((a, b) => a + b, 0) / 4000;
  expect(mean).toBeCloseTo(0.5, 1);
  expect(smoothField(3)(1.2, 3.4)).toBe(smoothField(3)(1.2, 3.4));
  expect(Math.abs(smoothField(3)(1.2, 3.4) - smoothField(3)(1.2001, 3.4))).toBeLessThan(0.01);
});

it('a JPEG from the camera is a real one', async () => {
  const { picture } = takePhotograph(handheld({ amount: 5 }), SMALL);
  expect(await sharp(await toJpeg(picture)).metadata()).toMatchObject({ format: 'jpeg', width: 320, height: 240 });
});
