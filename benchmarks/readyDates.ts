import { planBench } from '@/core/schedule/bench';
import { someBench, worseWorld } from '@/core/schedule/benches.testing';
import { tasksOf } from '@/core/schedule/facts/tasks';
import { paceOf, played, readyDates } from '@/core/schedule/ready';
import { assumed } from '@/core/assumptions/assumptions';
import { quantile } from '@/core/numbers';

const FIRST_SEED = Number(process.env.SEED ?? 930_000);
const EACH = Number(process.env.EACH ?? 200);
const RUNS = 200;

/** How often machines of simulated workshops are ready by the days that Kvell named: in a world worse than the one it counts with. */
export async function readyByTheirDates(): Promise<void> {
  let [six, nine, planned, never] = [0, 0, 0, 0];
  const widths: number[] = [];
  for (let seed = FIRST_SEED; seed < FIRST_SEED + EACH; seed++) {
    const facts = someBench(seed);
    const { problem } = tasksOf(facts);
    const plan = planBench(problem, { timeLimitMs: 0, maxIterations: 150, seed, clock: () => 0 });
    const badSun = (day: number) =>
      assumed(
        facts.sun.find(({ from }) => Math.floor(from / 1440) === day)?.own
          ? 'sun that does not come after a look'
          : 'sun that does not come',
      );
    const dates = readyDates(problem, plan.order, { runs: RUNS, seed, badSun, pace: paceOf([]) });
    // One machine of each workshop, so that the trials know nothing of one another.
    const { machine, ends } = dates[seed % dates.length]!;
    const among = new Set(plan.order);
    const world = worseWorld({ ...problem, tasks: problem.tasks.filter(({ id }) => among.has(id)) }, seed + 7_000_000);
    const real = played(world, plan.order).get(machine)!;
    const [at6, at9] = [quantile(ends, 0.6)!, quantile(ends, 0.9)!];
    if (real <= at6) six++;
    if (real <= at9) nine++;
    if (real <= plan.ready.find((one) => one.machine === machine)!.min) planned++;
    if (!Number.isFinite(at9)) never++;
    else widths.push((at9 - quantile(ends, 0.5)!) / 1440);
  }
  const share = (count: number) => `${((100 * count) / EACH).toFixed(1)} %`;
  console.log(
    `ready-dates: ${EACH} simulated workshops from seed ${FIRST_SEED}: ready by the day of 9 in 10 in ${share(nine)} (aim 85 to 95), by that of 6 in 10 in ${share(six)}, by the plan itself in ${share(planned)}; the day of 9 in 10 lies ${quantile(widths, 0.5)!.toFixed(1)} days after the middle one at the median, ${never} lie beyond what is planned`,
  );
}
