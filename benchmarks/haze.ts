import { hazeOf } from '@/core/finish/haze';
import { NINE_IN_TEN_SD, quantile } from '@/core/numbers';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { hazeMarksOn, hazeScene, someWindow } from '@/simulators/camera/haze';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PATCHES, someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 710_000);
const EACH = Number(process.env.EACH ?? 80);
const WIDTH = Number(process.env.WIDTH ?? 1400);

/** How far the haze of a window is off on pictures in ordinary rooms, and whether its band holds the truth. */
export async function haze(): Promise<void> {
  const off: number[] = [];
  let [held, refused] = [0, 0];
  for (let seed = FIRST_SEED; seed < FIRST_SEED + EACH; seed++) {
    const window = someWindow(seed);
    const card = PATCHES[([1, 2, 3, 7] as const)[seed % 4]!];
    const { picture, spec } = takePhotograph(hazeScene(window, card), someShot('ordinary', seed, WIDTH));
    const photo = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
    try {
      const found = hazeOf(photo, hazeMarksOn(spec), 0.006 * WIDTH);
      const error = found.haze - window.haze;
      off.push(error);
      if (Math.abs(error) <= NINE_IN_TEN_SD * found.sd) held++;
      if (process.env.EACH_ONE) console.log(seed, window.haze.toFixed(3), found.haze.toFixed(3), found.sd.toFixed(3));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refused++;
      if (process.env.EACH_ONE) console.log(seed, error.message);
    }
  }
  const size = off.map(Math.abs);
  console.log(
    `haze: ${EACH} windows on printed stripes in ordinary rooms, from seed ${FIRST_SEED}: off by ${quantile(size, 0.5)!.toFixed(3)} of the contrast at the median, ${quantile(size, 0.9)!.toFixed(3)} nine times in ten, mean ${(off.reduce((sum, one) => sum + one, 0) / off.length).toFixed(3)}; its band held ${((100 * held) / off.length).toFixed(0)} % (aim 90); ${refused} refused`,
  );
}
