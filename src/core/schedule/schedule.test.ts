import fc from 'fast-check';
import { lowerBound } from './bound';
import { compile } from './compile';
import { faultsOf } from './check.testing';
import { someProblem } from './problems.testing';
import type { Interval, Problem, Task } from './problem';
import { schedule } from './schedule';

const limits = { timeLimitMs: 0, seed: 1, clock: () => 0, maxIterations: 200 };
const plan = (problem: Problem, iterations = 200) => schedule(problem, { ...limits, maxIterations: iterations });
const task = (id: string, duration: number, more: Partial<Task> = {}): Task => ({
  ...{ id, duration, uses: { hands: 1 }, after: [] },
  ...more,
});
const HANDS = { id: 'hands', capacity: 1 };
const bound = (problem: Problem) =>
  lowerBound(
    compile(problem),
    problem.resources.map(({ available }) => available ?? null),
  );
/** Problems as they come, those that no plan answers left out. */
const solvable = fc.integer({ min: 1, max: 1e6 }).map((seed) => someProblem(seed, 4 + (seed % 12)));

describe('a plan', () => {
  it('lets glue set while the rest is washed', () => {
    const found = plan({
      resources: [HANDS],
      tasks: [
        task('glue', 10),
        task('cure', 120, { uses: {}, after: [{ task: 'glue', minLag: 0 }] }),
        task('wash', 60),
      ],
    });
    expect(found.makespan).toBe(130);
    expect(found.optimal).toBe(true);
    expect(found.tasks.find(({ id }) => id === 'wash')!.start).toBe(10);
  });

  it('keeps to the greatest wait: a coat follows in its time, or the first is laid later', () => {
    const found = plan({
      resources: [
        {
          ...HANDS,
          available: [
            [0, 60],
            [300, 600],
          ],
        },
      ],
      tasks: [task('first', 30), task('second', 40, { after: [{ task: 'first', minLag: 30, maxLag: 120 }] })],
    });
    const start = (id: string) => found.tasks.find((one) => one.id === id)!.start;
    expect(start('second') - start('first') - 30).toBeLessThanOrEqual(120);
    expect(start('first')).toBe(300);
  });

  it('is feasible by a checker that knows nothing of how it was made', () =>
    fc.assert(
      fc.property(solvable, (problem) => {
        expect(faultsOf(problem, plan(problem, 60).tasks)).toEqual([]);
      }),
      { numRuns: 120 },
    ));

  it('never ends before its bound', () =>
    fc.assert(
      fc.property(solvable, (problem) => {
        const { makespan, lowerBound: least, optimal } = plan(problem, 60);
        expect(makespan).toBeGreaterThanOrEqual(least);
        expect(optimal).toBe(makespan === least);
      }),
      { numRuns: 80 },
    ));

  it('is the same for the same seed and number of steps', () =>
    fc.assert(
      fc.property(solvable, fc.integer({ min: 0, max: 1000 }), (problem, seed) => {
        const run = (clock: () => number) => schedule(problem, { ...limits, seed, clock, maxIterations: 50 }).tasks;
        let ticks = 0;
        expect(run(() => (ticks += 1e6))).toEqual(run(() => 0));
      }),
      { numRuns: 40 },
    ));

  it('moves by a day where all times do', () =>
    fc.assert(
      fc.property(solvable, (problem) => {
        const day = 1440;
        const later = (intervals: readonly Interval[] | undefined): Interval[] =>
          (intervals ?? [[0, 100_000]]).map(([from, to]) => [from + day, to + day]);
        const moved: Problem = {
          resources: problem.resources.map((one) => ({ ...one, available: later(one.available) })),
          tasks: problem.tasks.map((one) => ({ ...one, windows: later(one.windows) })),
        };
        expect(plan(moved, 40).tasks).toEqual(
          plan(problem, 40).tasks.map(({ id, start, end }) => ({ id, start: start + day, end: end + day })),
        );
      }),
      { numRuns: 40 },
    ));

  it('stops when it is told to, with the best so far', () => {
    const problem = someProblem(7, 14);
    let asked = 0;
    const found = schedule(problem, { ...limits, maxIterations: 1e6, stopped: () => ++asked > 20 });
    expect(found.iterations).toBeLessThan(30);
    expect(faultsOf(problem, found.tasks)).toEqual([]);
  });
});

it('what is found once for tasks that are alike is what each alone would find', () =>
  fc.assert(
    fc.property(solvable, fc.integer({ min: 1, max: 12 }), (problem, count) => {
      const kept = new Set(problem.tasks.slice(0, count).map(({ id }) => id));
      const fewer = problem.tasks
        .filter(({ id }) => kept.has(id))
        .map((one) => ({ ...one, after: one.after.filter(({ task: other }) => kept.has(other)) }));
      const alike = { ...problem, tasks: fewer.flatMap((one) => [one, { ...one, id: `${one.id} again`, after: [] }]) };
      compile(problem);
      // A copy has no resources in common with what was compiled before.
      expect(compile(alike)).toEqual(compile(structuredClone(alike)));
      for (const one of fewer) {
        const alone = { resources: structuredClone(problem.resources), tasks: [{ ...one, after: [] }] };
        const at = alike.tasks.findIndex(({ id }) => id === one.id);
        expect(compile(alike).starts[at]).toEqual(compile(alone).starts[0]);
      }
    }),
    { numRuns: 60 },
  ));

describe('the bound', () => {
  it('is never worse where something is relaxed', () =>
    fc.assert(
      fc.property(solvable, fc.integer({ min: 0, max: 1e6 }), (problem, pick) => {
        const at = pick % problem.tasks.length;
        const relaxed = (change: (one: Task) => Task): Problem => ({
          ...problem,
          tasks: problem.tasks.map((one, i) => (i === at ? change(one) : one)),
        });
        const here = bound(problem);
        expect(bound(relaxed((one) => ({ ...one, after: one.after.slice(1) })))).toBeLessThanOrEqual(here);
        expect(bound(relaxed((one) => ({ ...one, windows: undefined })))).toBeLessThanOrEqual(here);
        expect(bound(relaxed((one) => ({ ...one, duration: Math.ceil(one.duration / 2) })))).toBeLessThanOrEqual(here);
        const more = problem.resources.map((one) => ({ ...one, capacity: one.capacity + 1 }));
        expect(bound({ ...problem, resources: more })).toBeLessThanOrEqual(here);
        const always = problem.resources.map((one) => ({ ...one, available: undefined }));
        expect(bound({ ...problem, resources: always })).toBeLessThanOrEqual(here);
      }),
      { numRuns: 100 },
    ));

  it('is the longest way, or the work of what is scarce', () => {
    const three = [task('a', 30), task('b', 30), task('c', 30)];
    expect(bound({ resources: [HANDS], tasks: three })).toBe(90);
    expect(bound({ resources: [{ ...HANDS, capacity: 3 }], tasks: three })).toBe(30);
    expect(
      bound({
        resources: [
          {
            ...HANDS,
            available: [
              [0, 60],
              [100, 200],
            ],
          },
        ],
        tasks: three,
      }),
    ).toBe(130);
  });
});

describe('what cannot be planned is named', () => {
  const refused = (
    tasks: Task[],
    resources = [
      {
        ...HANDS,
        available: [
          [0, 60],
          [100, 160],
        ] as Interval[],
      },
    ],
  ) => expect(() => plan({ resources, tasks }));
  it.each<[string, Task[], RegExp]>([
    ['longer than any hours', [task('strip', 90)], /“strip” takes 1 h 30 min.*longer than 1 h/],
    ['longer than any window', [task('sun', 50, { windows: [[0, 30]] })], /“sun” takes 0 h 50 min.*widen a window/],
    ['a window outside of hours', [task('sun', 20, { windows: [[60, 95]] })], /“sun”.*in none of its windows/],
    [
      'a circle',
      [task('a', 5, { after: [{ task: 'b', minLag: 0 }] }), task('b', 5, { after: [{ task: 'a', minLag: 0 }] })],
      /circle: .*“a”/,
    ],
    ['an unknown wait', [task('a', 5, { after: [{ task: 'x', minLag: 0 }] })], /waits for “x”/],
    [
      'waits that contradict',
      [task('a', 5), task('b', 5, { after: [{ task: 'a', minLag: 9, maxLag: 3 }] })],
      /by 3 min at most/,
    ],
    ['too many units', [task('a', 5, { uses: { hands: 2 } })], /needs 2 of “hands”, and there are 1/],
    ['two of a name', [task('a', 5), task('a', 5)], /Two tasks are called “a”/],
    ['more work than hours', [task('a', 50), task('b', 50), task('c', 50)], /finds no moment beside the others/],
    [
      'a wait that its windows do not let be so short',
      [
        task('a', 10, { windows: [[0, 10]] }),
        task('b', 10, { windows: [[100, 110]], after: [{ task: 'a', minLag: 0, maxLag: 20 }] }),
      ],
      /“b” and “a” clash|“a” and “b” clash/,
    ],
  ])('%s', (_, tasks, words) => refused(tasks).toThrow(words));

  it('takes five thousand tasks in a row without a full stack', () => {
    const tasks = Array.from({ length: 5000 }, (_, i) =>
      task(`t${i}`, 1, { after: i > 0 ? [{ task: `t${i - 1}`, minLag: 0 }] : [] }),
    );
    expect(plan({ resources: [HANDS], tasks }, 1).makespan).toBe(5000);
  });

  it('has nothing to do for no task', () => expect(plan({ resources: [], tasks: [] }).makespan).toBe(0));
});
