import { FAULTS, nameFault, type FaultKind } from '@/core/face/fault';
import { MISTAKE } from '@/core/rehearse/mistakes';
import { doseShares, WELL_DONE, yellowLeft } from '@/core/rehearse/session';
import { seededRandom } from '@/simulators/camera/random';

const FACES = 300;
const COLUMNS = 120;
/** Noise of a cell's b*, as the camera leaves it. */
const CELL_NOISE_B = 0.35;

/** A face after a session with one mistake, or none; b* in cells. */
function simulatedFace(kind: FaultKind, random: () => number) {
  const rows = Math.round(COLUMNS * (0.35 + 0.5 * random()));
  const [startB, targetB, rate, dose] = [
    18 + 12 * random(),
    5 + 3 * random(),
    0.05 + 0.04 * random(),
    14 + 10 * random(),
  ];
  const face = yellowLeft(
    doseShares({ ...WELL_DONE, ...MISTAKE[kind] }, COLUMNS, rows, random),
    startB,
    targetB,
    rate,
    dose,
  );
  const noise = () => CELL_NOISE_B * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return { ...face, values: face.values.map((b) => b + noise()) };
}

/** Names of faults on simulated faces whose fault is known. */
export async function faults(): Promise<void> {
  const random = seededRandom(Number(process.env.SEED ?? 20_261_201));
  const table = new Map<string, number>();
  let [right, faulty, alarms, even] = [0, 0, 0, 0];
  for (let i = 0; i < FACES; i++) {
    const kind = FAULTS[i % FAULTS.length]!;
    const found = nameFault(simulatedFace(kind, random));
    if (process.env.SHOW) console.log(kind, found.kind, found.size.toFixed(1), found.signs);
    table.set(`${kind} → ${found.kind}`, (table.get(`${kind} → ${found.kind}`) ?? 0) + 1);
    if (kind === 'even') {
      even++;
      if (found.kind !== 'even') alarms++;
    } else {
      faulty++;
      if (found.kind === kind) right++;
    }
  }
  console.log(`Faults, ${FACES} simulated faces`);
  console.log(
    `  named right ${((100 * right) / faulty).toFixed(1)} % of ${faulty} (aim 90); false alarms ${((100 * alarms) / even).toFixed(1)} % of ${even} even ones (aim at most 5)`,
  );
  for (const [names, count] of [...table].sort()) console.log(`    ${names}: ${count}`);
  await Promise.resolve();
}
