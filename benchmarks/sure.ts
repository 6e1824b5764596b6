import { deltaE00 } from '@/core/colour/difference';
import { judge } from '@/core/face/verdict';
import { NINE_IN_TEN_SD, quantile } from '@/core/numbers';
import { measurePicture } from '@/core/picture/measure';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { seededRandom } from '@/simulators/camera/random';
import { PATCHES, someOrientation, someQuality, someShot, withPatches, type Practice } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

/** Of each half; the errors were found on seeds under 1,000. */
const PICTURES = Number(process.env.PICTURES ?? 200);
const FIRST_SEED = Number(process.env.SEED ?? 30_000);
/** Pictures all of one width, so that a run takes minutes; without it as people take them. */
const WIDTH = process.env.WIDTH ? Number(process.env.WIDTH) : undefined;
const COUNTS = [1, 2, 3, 7] as const;
/** A true figure nearer to a limit than this is both. */
const EITHER = 0.3;

interface Reading {
  patches: number;
  off: number;
  sdB: number;
  offE: number;
  sdE: number;
  wrong: boolean;
  sure: boolean;
}

async function readingsOf(practice: Practice): Promise<{ readings: Reading[]; refused: number }> {
  const readings: Reading[] = [];
  let refused = 0;
  for (let seed = FIRST_SEED; seed < FIRST_SEED + PICTURES; seed++) {
    const random = seededRandom(seed);
    const amount = 30 * random() ** 1.3;
    const yellow = {
      amount,
      ...(random() < 0.3 && { oneSided: { angleDeg: 360 * random(), farShare: 0.5 + 0.5 * random() } }),
    };
    const machine = [() => homeComputer(yellow, yellow), () => desktopFront(yellow), () => handheld(yellow)][
      Math.floor(3 * random())
    ]!;
    const patches = COUNTS[seed % COUNTS.length]!;
    const scene = withPatches(machine(), PATCHES[patches]);
    const { picture, spec, truth } = takePhotograph(scene, someShot(practice, seed, WIDTH));
    const seen = await decodePicture(
      await toJpeg(picture, { quality: someQuality(seed), orientation: someOrientation(seed) }),
    );
    try {
      const { regions } = measurePicture(seen, { ...spec, reference: 'hidden' }).result;
      for (const { id, deltaB, deltaE00: found, sdB, sdDeltaE00, verdict, sure, evenness } of regions) {
        if (id === 'hidden' || id === 'door') continue;
        const [lab, hidden] = [truth[id]!, truth.hidden!];
        const [trueE, trueL, trueB] = [deltaE00(lab, hidden), lab[0] - hidden[0], lab[2] - hidden[2]];
        const verdicts = [-EITHER, 0, EITHER].map((by) => judge(trueE + by, trueL, trueB, evenness));
        readings.push({
          ...{ patches, off: deltaB! - trueB, sdB: sdB!, offE: found! - trueE, sdE: sdDeltaE00! },
          ...{ wrong: verdict !== null && !verdicts.includes(verdict), sure: sure ?? false },
        });
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refused++;
    }
  }
  return { readings, refused };
}

/** Whether the errors that a measurement gives are true, on pictures as people take them. */
export async function sure(): Promise<void> {
  console.log(
    `Errors of a distance, ${PICTURES} pictures each (seeds from ${FIRST_SEED}, ${WIDTH ?? '600 to 4000'} px wide)`,
  );
  for (const practice of ['good', 'ordinary'] as const) {
    const { readings, refused } = await readingsOf(practice);
    const share = (some: Reading[], holds: (one: Reading) => boolean) =>
      `${((100 * some.filter(holds).length) / some.length).toFixed(1)} %`;
    const line = (some: Reading[]) =>
      `band of Δb* holds ${share(some, ({ off, sdB }) => Math.abs(off) <= NINE_IN_TEN_SD * sdB)} (aim 85 to 95), of ΔE00 ${share(some, ({ offE, sdE }) => Math.abs(offE) <= NINE_IN_TEN_SD * sdE)}, median sd ${quantile(
        some.map(({ sdB }) => sdB),
        0.5,
      )!.toFixed(2)}, median error ${quantile(
        some.map(({ off }) => Math.abs(off)),
        0.5,
      )!.toFixed(2)}, 95th ${quantile(
        some.map(({ off }) => Math.abs(off)),
        0.95,
      )!.toFixed(2)}`;
    console.log(`  ${practice}, ${readings.length} readings, ${refused} pictures refused: ${line(readings)}`);
    for (const patches of COUNTS) {
      const some = readings.filter((one) => one.patches === patches);
      if (some.length > 0) console.log(`    ${patches} patches, ${some.length}: ${line(some)}`);
    }
    console.log(
      `    a wrong verdict without a word ${share(readings, ({ wrong, sure: said }) => wrong && said)} (aim ${practice === 'good' ? 2 : 5}); wrong at all ${share(readings, ({ wrong }) => wrong)}; said to be sure ${share(readings, ({ sure: said }) => said)}`,
    );
  }
}
