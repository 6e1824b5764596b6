import { doseTable, evenestPoses, evennessOf, turnPlan, type TurnPlanInput } from '@/core/session/turnPlan';
import { seededRandom } from '@/simulators/camera/random';

const DAYS = 120;
const BOX = { lengthMm: 400, widthMm: 300, heightMm: 60, shading: [] };

/** The evenest of all ways to turn, by trying every one. */
function best(table: number[][][], turn: number, sums: readonly number[]): number {
  if (turn === table.length) return evennessOf(sums);
  let most = 0;
  for (const pose of table[turn]!)
    most = Math.max(
      most,
      best(
        table,
        turn + 1,
        sums.map((sum, face) => sum + pose[face]!),
      ),
    );
  return most;
}

/** Turn plans of random days against every way to turn, and the time of a long one. */
export async function turnPlans(): Promise<void> {
  const random = seededRandom(Number(process.env.SEED ?? 20_261_126));
  let [reach, kept, worst] = [0, 0, 1];
  for (let day = 0; day < DAYS; day++) {
    const input: TurnPlanInput = {
      ...BOX,
      place: { latitude: -60 + 120 * random(), longitude: 0 },
      start: new Date(Date.UTC(2026, 0, 1 + Math.floor(365 * random()), 6 + Math.floor(8 * random()))),
      durationMin: 240,
      turnEveryMin: 60,
      cloudFraction: [0, 0.3, 0.6, 1][Math.floor(4 * random())]!,
      leanDeg: [0, 45, 60, 75][Math.floor(4 * random())]!,
    };
    const known = doseTable(input);
    const optimum = best(
      known.table,
      0,
      known.faces.map(() => 0),
    );
    if (optimum === 0) continue;
    const { evenness } = turnPlan(input);
    worst = Math.min(worst, evenness / optimum);
    if (optimum < 0.85) continue;
    reach++;
    if (evenness >= 0.8) kept++;
  }
  console.log(`Turn plan, ${DAYS} random days of four turns against every way to turn`);
  console.log(
    `  optimum 0.85 or more: ${reach}, of these the plan 0.8 or more: ${kept}; worst plan ${(100 * worst).toFixed(1)} % of its optimum`,
  );
  const june: TurnPlanInput = {
    ...BOX,
    place: { latitude: 50, longitude: 10 },
    start: new Date('2026-06-21T07:00:00Z'),
    durationMin: 480,
    turnEveryMin: 30,
    cloudFraction: 0,
    leanDeg: 60,
  };
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    evenestPoses(doseTable(june));
    return performance.now() - start;
  }).sort((a, b) => a - b);
  for (const leanDeg of [0, 60]) {
    const { evenness, neverTurned } = turnPlan({ ...june, leanDeg });
    console.log(
      `  lid box, clear June day at 50° north, ${leanDeg === 0 ? 'flat' : 'propped up to 60°'}: ${evenness.toFixed(2)} against ${neverTurned.evenness.toFixed(2)} never turned (${(evenness / neverTurned.evenness).toFixed(1)} times)`,
    );
  }
  console.log(`  16 turns: median ${times[7]!.toFixed(0)} ms, slowest ${times[14]!.toFixed(0)} ms (aim under 200)`);
  await Promise.resolve();
}
