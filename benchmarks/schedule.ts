import highsLoader, { type Highs } from 'highs';
import { faultsOf } from '@/core/schedule/check.testing';
import { compile } from '@/core/schedule/compile';
import { heads, tails } from '@/core/schedule/bound';
import type { Problem } from '@/core/schedule/problem';
import { GRID, someProblem } from '@/core/schedule/problems.testing';
import { schedule, type Plan } from '@/core/schedule/schedule';
import { quantile } from '@/core/numbers';

const FIRST_SEED = Number(process.env.SEED ?? 910_000);
const EACH = Number(process.env.EACH ?? 20);
const TASKS = Number(process.env.TASKS ?? 30);
/** The exact solver gives up after so long, s. */
const EXACT_S = Number(process.env.EXACT_S ?? 60);

const clock = () => performance.now();

/**
 * The least end of all by an integer programme: a binary for each task and each grid moment at which it may begin, in the
 * format of LP files. All minutes of these problems are whole numbers of the grid, so that some best plan begins on it.
 *
 * @param upper an end that some plan has
 * @returns `null` where it was not proven in time
 */
function exact(problem: Problem, upper: number, highs: Highs): number | null {
  const compiled = compile(problem);
  const [head, tail] = [heads(compiled), tails(compiled)];
  const { ids, durations, capacities, needs, starts, before } = compiled;
  const moments = ids.map((_, i) =>
    starts[i]!.flatMap(([from, to]) => {
      const all: number[] = [];
      for (
        let at = Math.ceil(Math.max(from, head[i]!) / GRID) * GRID;
        at <= Math.min(to, upper - durations[i]! - tail[i]!);
        at += GRID
      )
        all.push(at);
      return all;
    }),
  );
  const x = (task: number, at: number) => `x${task}_${at}`;
  const begins = (task: number, sign: '+' | '-') =>
    moments[task]!.map((at) => `${sign} ${at} ${x(task, at)}`).join(' ');
  const rows: string[] = [];
  for (const [i] of ids.entries()) {
    if (moments[i]!.length === 0) return null;
    rows.push(`${moments[i]!.map((at) => `+ ${x(i, at)}`).join(' ')} = 1`);
    rows.push(`z ${begins(i, '-')} >= ${durations[i]! + tail[i]!}`);
    for (const lag of before[i]!) {
      rows.push(`${begins(i, '+')} ${begins(lag.task, '-')} >= ${durations[lag.task]! + lag.minLag}`);
      if (lag.maxLag < 1e8)
        rows.push(`${begins(i, '+')} ${begins(lag.task, '-')} <= ${durations[lag.task]! + lag.maxLag}`);
    }
  }
  for (const [resource, capacity] of capacities.entries())
    for (let at = 0; at < upper; at += GRID) {
      const here = ids.flatMap((_, i) =>
        needs[i]!.filter((need) => need.resource === resource).flatMap(({ units }) =>
          moments[i]!.filter((begin) => begin <= at && at < begin + durations[i]!).map(
            (begin) => `+ ${units} ${x(i, begin)}`,
          ),
        ),
      );
      if (here.length > 1) rows.push(`${here.join(' ')} <= ${capacity}`);
    }
  const lp = [
    'Minimize',
    ' obj: z',
    'Subject To',
    // A line of this format may not be long.
    ...rows.map((row, i) => ` r${i}: ${row.replace(/((?:\S+ ){24})/g, '$1\n  ')}`),
    'Bounds',
    ` 0 <= z <= ${upper}`,
    'Binary',
    ...moments.flatMap((all, i) => all.map((at) => ` ${x(i, at)}`)),
    'End',
  ].join('\n');
  const solved = highs.solve(lp, { time_limit: EXACT_S, output_flag: false });
  return solved.Status === 'Optimal' ? Math.round(solved.ObjectiveValue) : null;
}

const gapOf = (plan: Plan, least: number) => (100 * (plan.makespan - least)) / least;

/** How far plans of 30 tasks in a second are from the least end that an exact solver proves, and 300 tasks in five. */
export async function schedules(): Promise<void> {
  const highs = await highsLoader();
  const gaps: number[] = [];
  let [unproven, provenByUs] = [0, 0];
  for (let seed = FIRST_SEED; seed < FIRST_SEED + EACH; seed++) {
    const problem = someProblem(seed, TASKS);
    const plan = schedule(problem, { timeLimitMs: 1000, seed, clock });
    const faults = faultsOf(problem, plan.tasks);
    if (faults.length > 0) throw new Error(`seed ${seed}: ${faults.join('; ')}`);
    if (plan.optimal) provenByUs++;
    const least = plan.optimal ? plan.makespan : exact(problem, plan.makespan, highs);
    if (process.env.EACH_ONE)
      console.log(seed, plan.makespan, plan.lowerBound, least, plan.iterations, Math.round(plan.elapsedMs));
    if (least === null) unproven++;
    else gaps.push(gapOf(plan, least));
  }
  console.log(
    `schedule: ${EACH} workshops of ${TASKS} tasks with windows and lags, a second each, from seed ${FIRST_SEED}: end of all over the proven least ${(gaps.reduce((sum, one) => sum + one, 0) / gaps.length).toFixed(2)} % at the mean (aim 1), ${Math.max(...gaps).toFixed(2)} % at the worst, ${gaps.filter((gap) => gap < 1e-9).length} of ${gaps.length} at the least; ${provenByUs} proven by the bound, ${unproven} not proven in ${EXACT_S} s`,
  );
  const large = Array.from({ length: 5 }, (_, i) => {
    const problem = someProblem(FIRST_SEED + 5000 + i, 300, 60);
    const plan = schedule(problem, { timeLimitMs: 5000, seed: i, clock });
    if (faultsOf(problem, plan.tasks).length > 0) throw new Error('A plan of 300 tasks breaks its problem.');
    return { gap: gapOf(plan, plan.lowerBound), ms: plan.elapsedMs, iterations: plan.iterations };
  });
  console.log(
    `  300 tasks in five seconds: over the bound by ${quantile(
      large.map(({ gap }) => gap),
      0.5,
    )!.toFixed(
      1,
    )} % at the median, ${Math.max(...large.map(({ gap }) => gap)).toFixed(1)} % at the worst; ${Math.round(Math.max(...large.map(({ ms }) => ms)))} ms at most, ${Math.min(...large.map(({ iterations }) => iterations))} steps at least`,
  );
}
