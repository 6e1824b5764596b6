import { FAULTS, type FaultKind } from '@/core/face/fault';
import { measurePicture } from '@/core/picture/measure';
import { quantile } from '@/core/numbers';
import { MISTAKE } from '@/core/rehearse/mistakes';
import { doseShares, WELL_DONE, yellowLeft } from '@/core/rehearse/session';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { face, FACES, homeComputer } from '@/simulators/camera/machines';
import { seededRandom } from '@/simulators/camera/random';
import { PATCHES, someQuality, someShot, withPatches } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const EACH = Number(process.env.EACH ?? 12);
const WIDTHS = (process.env.WIDTHS ?? '600,1000,1600').split(',').map(Number);
const [COLUMNS, ROWS] = [200, 100];
const CLEAN_B = 5;

/** Faults as they are named on photographs of faces, in good practice, at several sizes. */
export async function faultsSeen(): Promise<void> {
  console.log(`Faults on photographs, ${EACH} of each kind and shape, in good light`);
  for (const width of WIDTHS) {
    let [right, faulty, alarms, even, spreads, spreadsRight] = [0, 0, 0, 0, 0, 0];
    const table = new Map<string, number>();
    for (let i = 0; i < EACH * FAULTS.length * FACES.length; i++) {
      const seed = Number(process.env.SEED ?? 40_000) + i;
      const random = seededRandom(seed);
      const kind: FaultKind = FAULTS[i % FAULTS.length]!;
      const shape = FACES[Math.floor(i / FAULTS.length) % FACES.length]!;
      const rows = shape === 'strip' ? 24 : ROWS;
      const [startB, targetB, rate, dose] = [18 + 12 * random(), CLEAN_B, 0.05 + 0.04 * random(), 14 + 10 * random()];
      const shares = doseShares({ ...WELL_DONE, ...MISTAKE[kind] }, COLUMNS, rows, random);
      const left = yellowLeft(shares, startB, targetB, rate, dose);
      const cells = { ...left, values: left.values.map((b) => b - CLEAN_B) };
      const scene = withPatches(face(shape, { amount: 0, cells }), PATCHES[2]);
      const { picture, spec } = takePhotograph(scene, someShot('good', seed, width));
      const seen = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
      const hole = spec.regions.find(({ id }) => id === 'hole');
      const regions = [{ ...spec.regions[0]!, ...(hole && { holes: [hole.polygon] }) }];
      const [found] = measurePicture(seen, { ...spec, regions }).result.regions;
      const named = found!.fault?.kind ?? 'none';
      table.set(`${shape}: ${kind} → ${named}`, (table.get(`${shape}: ${kind} → ${named}`) ?? 0) + 1);
      const spread = quantile(left.values, 0.95)! - quantile(left.values, 0.05)!;
      if (shape !== 'frame') {
        spreads++;
        if (Math.abs(found!.evenness - spread) <= Math.max(1, 0.25 * spread)) spreadsRight++;
        if (process.env.SHOW)
          console.log(shape, kind, named, spread.toFixed(1), found!.evenness.toFixed(1), found!.usedShare.toFixed(2));
      }
      if (kind === 'even') {
        even++;
        if (named !== 'even') alarms++;
      } else {
        faulty++;
        if (named === kind) right++;
      }
    }
    console.log(
      `  ${width} px: named right ${((100 * right) / faulty).toFixed(1)} % of ${faulty} (aim 90 from 1600 px); false alarms ${((100 * alarms) / even).toFixed(1)} % of ${even} (aim 5); spread right to 1 b* or a quarter ${((100 * spreadsRight) / spreads).toFixed(1)} % of ${spreads}`,
    );
    if (process.env.TABLE) for (const [names, count] of [...table].sort()) console.log(`    ${names}: ${count}`);
    await keyboards(width);
  }
}

/** Even keyboards: nothing of a session is to be seen on them. */
async function keyboards(width: number): Promise<void> {
  let alarms = 0;
  const heard: string[] = [];
  for (let i = 0; i < EACH; i++) {
    const seed = 41_000 + i;
    const amount = 20 * seededRandom(seed)();
    const computer = homeComputer({ amount }, { amount });
    const keys = { id: 'keys', plate: 'shell', box: [64, 134, 352, 126] as const };
    const scene = withPatches(
      { ...computer, regions: [{ ...keys, box: [...keys.box] }, ...computer.regions] },
      PATCHES[2],
    );
    const { picture, spec } = takePhotograph(scene, someShot('good', seed, width));
    const seen = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
    const found = measurePicture(seen, { ...spec, reference: 'hidden' }).result.regions[0]!;
    if (found.fault && found.fault.kind !== 'even') {
      alarms++;
      heard.push(`${found.fault.kind} ${found.fault.size.toFixed(1)}`);
    }
  }
  console.log(`    even keyboards called faulty: ${alarms} of ${EACH} ${heard.join(', ')}`);
}
