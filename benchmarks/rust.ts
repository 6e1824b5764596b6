import { rustShare } from '@/core/finish/rustShare';
import { quantile } from '@/core/numbers';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PATCHES, someQuality, someShot } from '@/simulators/camera/rooms';
import { rustScene, someRustedFace } from '@/simulators/camera/rust';
import { trueRustShare } from '@/simulators/camera/rustedFace';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 610_000);
const EACH = Number(process.env.EACH ?? 80);
const WIDTH = Number(process.env.WIDTH ?? 1400);

/** How far the share of rust on a face of metal is off on photographs in ordinary rooms, and whether its band holds the truth. */
export async function rust(): Promise<void> {
  const off: number[] = [];
  let [held, refused] = [0, 0];
  for (let seed = FIRST_SEED; seed < FIRST_SEED + EACH; seed++) {
    const face = someRustedFace(seed);
    const should = trueRustShare(face);
    const card = PATCHES[([1, 2, 3, 7] as const)[seed % 4]!];
    const { picture, spec } = takePhotograph(rustScene(face, card), someShot('ordinary', seed, WIDTH));
    const photo = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
    try {
      const { share, low, high } = rustShare(photo, spec, 'metal');
      off.push(100 * Math.abs(share - should));
      if (should >= low && should <= high) held++;
      if (process.env.EACH_ONE)
        console.log(
          seed,
          (100 * should).toFixed(1),
          (100 * share).toFixed(1),
          (100 * low).toFixed(1),
          (100 * high).toFixed(1),
          JSON.stringify({
            y: face.passivated.toFixed(0),
            d: face.rust.dark.toFixed(2),
            br: face.brushed.share.toFixed(2),
          }),
        );
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refused++;
      if (process.env.EACH_ONE) console.log(seed, (100 * should).toFixed(1), error.message);
    }
  }
  const mean = off.reduce((sum, one) => sum + one, 0) / off.length;
  console.log(`rust: ${EACH} faces of metal in ordinary rooms, from seed ${FIRST_SEED}; ${refused} refused`);
  console.log(
    `  share off by ${mean.toFixed(2)} % of the face at the mean (aim 2), ${quantile(off, 0.5)!.toFixed(2)} at the median, ${quantile(off, 0.9)!.toFixed(2)} nine times in ten; its band held ${((100 * held) / off.length).toFixed(0)} %`,
  );
}
