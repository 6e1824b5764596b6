import { deltaE00 } from '@/core/colour/difference';
import { srgbToLab } from '@/core/colour/lab';
import type { Lab } from '@/core/colour/types';
import { NINE_IN_TEN_SD, quantile } from '@/core/numbers';
import { calibrateSheet, findGreySheet } from '@/core/picture/greySheet';
import { GREY_SHEET, MOST_SHEETS } from '@/core/picture/greySheetPlan';
import { measurePicture } from '@/core/picture/measure';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { withGreySheet } from '@/simulators/camera/greySheet';
import { toJpeg } from '@/simulators/camera/jpeg';
import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { seededRandom } from '@/simulators/camera/random';
import { PATCHES, someQuality, someShot, withPatches, type Practice } from '@/simulators/camera/rooms';
import { takePhotograph, type Shot, type Taken } from '@/simulators/camera/shot';
import type { Scene } from '@/simulators/camera/scene';

const PICTURES = Number(process.env.PICTURES ?? 60);
const FIRST_SEED = Number(process.env.SEED ?? 60_000);
const WIDTH = Number(process.env.WIDTH ?? 1200);

/** What a printer makes of the greys: off in lightness, and of a tint. */
function printedBy(random: () => number): Lab[] {
  const [a, b] = [3 * (random() - 0.5), 6 * (random() - 0.5)];
  return GREY_SHEET.greys.map((l): Lab => [l + 5 * (random() - 0.5), a * (1 - l / 120), b * (1 - l / 120)]);
}

async function seen(scene: Scene, shot: Shot, seed: number): Promise<Taken> {
  const taken = takePhotograph(scene, shot);
  return { ...taken, picture: await decodePicture(await toJpeg(taken.picture, { quality: someQuality(seed) })) };
}

/** Whether the sheet of greys is found, what calibrating it gives, and whether measuring by it is as sure as it says. */
export async function greySheets(): Promise<void> {
  console.log(`Sheet of greys, ${PICTURES} pictures each (seeds from ${FIRST_SEED}, ${WIDTH} px wide)`);
  const errors: { e: number; b: number }[] = [];
  let [sheets, refused] = [0, 0];
  for (const practice of ['good', 'ordinary'] as const satisfies readonly Practice[]) {
    let [found, numbered, tries, held, heldE] = [0, 0, 0, 0, 0];
    const sds: number[] = [];
    for (let seed = FIRST_SEED; seed < FIRST_SEED + PICTURES; seed++) {
      const random = seededRandom(seed * 31 + 7);
      const number = 1 + Math.floor(MOST_SHEETS * random());
      const printed = printedBy(random);
      const yellow = { amount: 25 * random() };
      const machine = [() => homeComputer(yellow, yellow), () => desktopFront(yellow), () => handheld(yellow)][
        seed % 3
      ]!();
      const bench = { ...machine, heightMm: 450 };
      const carded = withPatches({ ...bench, card: [{ ...bench.card[0]!, box: [60, 330, 54, 34] }] }, PATCHES[2]);
      const scene = withGreySheet(carded, number, [200, 330], printed);
      const calibration = await seen(scene, { ...someShot('good', seed, WIDTH), turnDeg: 10 * (random() - 0.5) }, seed);
      const later = await seen(
        scene,
        { ...someShot(practice, seed + 7919, WIDTH), turnDeg: 12 * (random() - 0.5) },
        seed,
      );
      const sheet = findGreySheet(later.picture);
      if (sheet) found++;
      if (sheet?.number === number) numbered++;
      try {
        if (practice === 'good') sheets++;
        const { greys } = calibrateSheet(calibration.picture, calibration.spec.card);
        if (practice === 'good')
          greys.forEach((srgb, i) => {
            if (!srgb) return;
            const lab = srgbToLab(srgb);
            errors.push({ e: deltaE00(lab, printed[i]!), b: Math.abs(lab[2] - printed[i]![2]) });
          });
        if (!sheet) continue;
        const card = greys.flatMap((srgb, i) =>
          srgb ? [{ rect: sheet.greys[i]!, srgb, kind: 'known' as const }] : [],
        );
        const { regions } = measurePicture(later.picture, { ...later.spec, card, reference: 'hidden' }).result;
        for (const { id, deltaB, deltaE00: e, sdB, sdDeltaE00 } of regions) {
          if (id === 'hidden' || id === 'door') continue;
          const [lab, hidden] = [later.truth[id]!, later.truth.hidden!];
          tries++;
          sds.push(sdB!);
          if (Math.abs(deltaB! - (lab[2] - hidden[2])) <= NINE_IN_TEN_SD * sdB!) held++;
          if (Math.abs(e! - deltaE00(lab, hidden)) <= NINE_IN_TEN_SD * sdDeltaE00!) heldE++;
        }
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        refused++;
      }
    }
    const share = (n: number, of: number) => `${((100 * n) / of).toFixed(1)} %`;
    console.log(
      `  ${practice}: found ${found} of ${PICTURES}, number right ${numbered}; measured by it ${tries}: band of Δb* holds ${share(held, tries)}, of ΔE00 ${share(heldE, tries)}, median sd ${quantile(sds, 0.5)!.toFixed(2)}`,
    );
  }
  const of = (key: 'e' | 'b', q: number) =>
    quantile(
      errors.map((error) => error[key]),
      q,
    )!.toFixed(2);
  console.log(
    `  calibrated ${sheets} sheets beside two known greys, ${refused} times refused: ${errors.length} greys told, off by ΔE00 ${of('e', 0.5)} (95th ${of('e', 0.95)}), b* ${of('b', 0.5)} (${of('b', 0.95)})`,
  );
}
