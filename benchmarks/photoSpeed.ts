import { differenceCiede2000, lab65 } from 'culori';
import sharp from 'sharp';
import { measurePicture } from '@/core/picture/measure';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { homeComputer } from '@/simulators/camera/machines';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';

const WARM_UP = 4;
const BLOCKS = 5;
const IN_BLOCK = 5;

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

async function timed(run: () => unknown): Promise<number> {
  const start = performance.now();
  await run();
  return performance.now() - start;
}

/** A full measurement of 12 million pixels against libvips' plain Lab conversion and culori pixel by pixel. */
export async function photoSpeed(): Promise<void> {
  const scene = homeComputer({ amount: 20, oneSided: { angleDeg: 0, farShare: 0.7 } }, { amount: 26 });
  const taken = takePhotograph(scene, { ...PLAIN_SHOT, width: 4000, height: 3000, noiseCodes: 2 });
  const picture = await decodePicture(await toJpeg(taken.picture, { quality: 85 }));
  const { width, height } = picture;
  const whole = {
    id: 'whole',
    polygon: [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ] as [number, number][],
  };
  const spec = { card: taken.spec.card, regions: [whole, taken.spec.regions[1]!], reference: 'hidden' };
  const bytes = await sharp(picture.data, { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .raw()
    .toBuffer();
  const ours: number[] = [];
  const vips: number[] = [];
  const measure = () => measurePicture(picture, spec);
  const convert = () =>
    sharp(bytes, { raw: { width, height, channels: 3 } })
      .toColourspace('lab')
      .raw({ depth: 'float' })
      .toBuffer();
  for (let round = 0; round < WARM_UP; round++) {
    measure();
    await convert();
  }
  // Block by block, so that both see the same machine, yet the 144 MB that each conversion hands over are
  // not collected on our time.
  for (let block = 0; block < BLOCKS; block++) {
    for (let round = 0; round < IN_BLOCK; round++) vips.push(await timed(convert));
    measure();
    for (let round = 0; round < IN_BLOCK; round++) ours.push(await timed(measure));
  }
  const sample = 200_000;
  const difference = differenceCiede2000();
  const reference = lab65({ mode: 'rgb', r: 0.8, g: 0.8, b: 0.75 });
  const culori = await timed(() => {
    let sum = 0;
    for (let k = 0; k < sample; k++) {
      const i = 3 * Math.floor((k * width * height) / sample);
      sum += difference(
        lab65({ mode: 'rgb', r: bytes[i]! / 255, g: bytes[i + 1]! / 255, b: bytes[i + 2]! / 255 }),
        reference,
      );
    }
    return sum;
  });
  const pixels = width * height;
  const ns = (ms: number, n: number) => ((ms * 1e6) / n).toFixed(1);
  const mine = median(ours);
  const theirs = median(vips);
  console.log(
    `Full measurement of ${(pixels / 1e6).toFixed(0)} million pixels, in memory (median of ${BLOCKS * IN_BLOCK})`,
  );
  console.log(
    `  ours ${mine.toFixed(0)} ms (${ns(mine, pixels)} ns a pixel), libvips Lab alone ${theirs.toFixed(0)} ms (${ns(theirs, pixels)} ns a pixel)`,
  );
  console.log(`  ratio ours/libvips ${(mine / theirs).toFixed(2)} (aim at most 1)`);
  console.log(
    `  culori pixel by pixel ${ns(culori, sample)} ns a pixel: ours is ${(culori / sample / (mine / pixels)).toFixed(0)} times faster (aim at least 20)`,
  );
}
