import { quantile } from '../numbers';
import fc from 'fast-check';
import { planBench, type BenchPlan, type BenchProblem } from './bench';
import { someBench } from './benches.testing';
import { changed, WHAT_IFS } from './changed';
import { faultsOf } from './check.testing';
import type { BenchFacts, MarkFacts } from './facts/facts';
import { bench, job, machine, piece, YELLOW } from './facts/facts.testing';
import { tasksOf, type TaskKind } from './facts/tasks';
import { paceOf, readyDates } from './ready';
import { parcelSpread } from './parcels';
import { workBench } from './benchWork';

const LIMITS = { timeLimitMs: 0, maxIterations: 40, seed: 1, clock: () => 0 };
const plan = (facts: BenchFacts, iterations = 40) => {
  const { problem, tasks } = tasksOf(facts);
  return { problem, tasks, plan: planBench(problem, { ...LIMITS, maxIterations: iterations }) };
};
/** A problem without what found no moment, as the checker wants it. */
const withoutLost = (problem: BenchProblem, { tasks }: BenchPlan): BenchProblem => ({
  ...problem,
  tasks: problem.tasks
    .filter(({ id }) => tasks.some((one) => one.id === id))
    .map((task) => ({ ...task, after: task.after.filter((lag) => tasks.some((one) => one.id === lag.task)) })),
});
const kindsOf = (facts: BenchFacts): TaskKind[] => tasksOf(facts).tasks.map(({ about }) => about.kind);
const BRIGHT = machine(['brighten'], { pieces: [piece({ yellow: YELLOW })] });

describe('tasks out of what is known', () => {
  it('a piece is set up, exposed, washed off, dried and measured, as often as the light asks', () => {
    const day: TaskKind[] = ['set up', 'expose', 'wash off', 'dry', 'measure'];
    expect(kindsOf(bench([BRIGHT]))).toEqual(day);
    const yellower = piece({ yellow: { ...YELLOW, toGo: { low: 15, median: 22, high: 40 } } });
    expect(kindsOf(bench([machine(['brighten'], { pieces: [yellower] })]))).toEqual([...day, ...day]);
  });

  it('where no coming day gives enough, that has to be decided', () => {
    expect(kindsOf(bench([BRIGHT], { sun: [] }))).toEqual(['stage']);
    const lamp = piece({ yellow: { ...YELLOW, driver: 'lamp', perHour: 4 } });
    expect(kindsOf(bench([machine(['brighten'], { pieces: [lamp] })], { sun: [] }))).toContain('expose');
  });

  it('what is brightened is washed first, what is mended cures before the rebuild', () => {
    const facts = bench([
      machine(['wash', 'brighten', 'mend', 'rebuild'], {
        pieces: [piece({ yellow: YELLOW, brushMin: 10 })],
        spots: [job({ id: 's', pieceId: 'k1' })],
        mends: [job({ id: 'r', pieceId: 'k1', waitMin: 600 })],
      }),
    ]);
    const at = new Map(plan(facts).plan.tasks.map((one) => [one.id, one]));
    const [brush, wash, expose] = ['m:brush', 'm:wash:s', 'm:expose:k1.0:1'].map((id) => at.get(id)!);
    const [mend, cure, rebuild] = ['m:mend:r', 'm:cure:r', 'm:rebuild'].map((id) => at.get(id)!);
    expect(wash!.start).toBeGreaterThanOrEqual(brush!.end + 1080);
    expect(expose!.start).toBeGreaterThanOrEqual(wash!.end);
    expect(mend!.start).toBeGreaterThanOrEqual(expose!.end);
    expect(cure!.start).toBe(mend!.end);
    expect(rebuild!.start).toBeGreaterThanOrEqual(cure!.end);
  });

  it('what waits for a parcel or an answer moves with it', () => {
    const mend = (due: number) =>
      bench([
        machine(['mend'], {
          mends: [job({ id: 'r', orderId: 'o' })],
          orders: [{ id: 'o', what: 'film', due, spread: 0.5 }],
        }),
      ]);
    const start = (facts: BenchFacts) => plan(facts).plan.tasks.find(({ id }) => id === 'm:mend:r')!.start;
    expect(start(mend(2 * 1440))).toBe(2 * 1440);
    expect(start(mend(5 * 1440))).toBe(5 * 1440);
    // What is late already is not here tomorrow morning.
    expect(start(mend(-6 * 1440))).toBe(3 * 1440);
  });

  it('a pass that failed, and a session that was had, are followed by other tasks', () => {
    const ids = (sessionsDone: number) =>
      tasksOf(bench([machine(['brighten'], { pieces: [piece({ yellow: YELLOW, sessionsDone })] })])).tasks.map(
        ({ id }) => id,
      );
    expect(ids(0).some((id) => ids(1).includes(id))).toBe(false);
  });

  it('what lies in an exposure is washed off when that ends, and measured before the next', () => {
    const facts = bench([machine(['brighten'], { pieces: [piece({ exposedUntil: 200 })] })]);
    const { tasks } = plan(facts).plan;
    expect(tasks[0]).toMatchObject({ id: 'm:wash off:k1.0', start: 200 });
    expect(kindsOf(facts)).toEqual(['wash off', 'dry', 'measure']);
  });

  it('a session that somebody planned stays at its hour, whoever is there', () => {
    const yellow = { ...YELLOW, planned: { start: 1440 + 630, end: 1440 + 800 } };
    const { tasks, unpinned } = plan(bench([machine(['brighten'], { pieces: [piece({ yellow })] })])).plan;
    expect(unpinned).toEqual([]);
    expect(tasks.find(({ id }) => id.includes(':expose:'))).toMatchObject({ start: 2070, end: 2240 });
  });

  it('of two sessions planned for one place in the sun one stays; the other goes into the sun of another day, with somebody there, and that is said', () => {
    const yellow = { ...YELLOW, planned: { start: 1440 + 180, end: 1440 + 360 } };
    const machines = ['a', 'b'].map((id) => ({
      ...machine(['brighten'], { pieces: [piece({ id: `k${id}`, yellow })] }),
      id,
    }));
    const facts = bench(machines, { things: { ...bench([]).things, sun: 1 } });
    const { plan: found } = plan(facts);
    const at = (kind: string) =>
      found.tasks.filter(({ id }) => id.includes(`:${kind}:`)).sort((a, b) => a.start - b.start);
    const [first, second] = at('expose');
    const [stays, goes] = [first!, second!].sort((a, b) => Math.abs(a.start - 1620) - Math.abs(b.start - 1620));
    expect(stays!.start).toBe(1620);
    const windowOf = ({ start, end }: { start: number; end: number }) =>
      facts.sun.some(({ from, to }) => from <= start && end <= to);
    expect(windowOf(goes!)).toBe(true);
    const moved = goes!.id.split(':')[0];
    for (const kind of ['set up', 'wash off'])
      expect(found.tasks.find(({ id }) => id.startsWith(`${moved}:${kind}`))!.who).toBe('hands:a');
    expect(found.unpinned.every((id) => id.startsWith(`${moved}:`))).toBe(true);
    expect(found.unpinned).toHaveLength(2);
    expect(found.leftOut).toEqual([]);
    // Played through it lies in the sun as well, and what is set for a day is not begun before it.
    const { ready } = workBench({ facts, ratios: [], seed: 3, timeLimitMs: 0, maxIterations: 20, runs: 40 }, () => 0);
    for (const { ends } of ready) expect(Math.min(...ends)).toBeGreaterThan(goes!.start < stays!.start ? 360 : 1620);
  });

  it('of two sessions planned for one lamp one waits for the other as a whole, with somebody there', () => {
    const planned = { start: 60, end: 60 + 540 };
    const yellow = { ...YELLOW, driver: 'lamp' as const, perHour: 2, planned };
    const machines = ['a', 'b'].map((id) => ({
      ...machine(['brighten'], { pieces: [piece({ id: `k${id}`, yellow })] }),
      id,
    }));
    const { plan: found } = plan(bench(machines));
    const begins = found.tasks.filter(({ id }) => id.includes(':expose:') && id.endsWith(':1'));
    const [, waits] = begins.sort((a, b) => a.start - b.start);
    expect(waits!.start).toBeGreaterThanOrEqual(planned.end);
    const own = (kind: string) =>
      found.tasks.find(({ id }) => id.startsWith(`${waits!.id.split(':')[0]}:${kind}:`) && id.endsWith(':1'))!;
    expect(waits!.start - own('set up').end).toBeLessThanOrEqual(90);
    expect([own('set up').who, own('wash off').who]).toEqual(['hands:a', 'hands:a']);
    expect(found.leftOut).toEqual([]);
  });

  it('a planned session that somebody put off is held at its hour no more', () => {
    const yellow = { ...YELLOW, planned: { start: 1440 + 180, end: 1440 + 360 } };
    const facts = bench([machine(['brighten'], { pieces: [piece({ yellow })] })]);
    const { tasks } = plan(facts).plan;
    const expose = tasks.find(({ id }) => id.includes(':expose:'))!;
    const later = plan({ ...facts, marks: { [expose.id]: { notBefore: 3 * 1440 } } }).plan;
    expect(later.leftOut).toEqual([]);
    expect(later.tasks.find(({ id }) => id === expose.id)!.start).toBeGreaterThanOrEqual(3 * 1440 + 120);
  });

  it('says what it does not know as a guess: a machine whose pieces are not tagged has sessions too', () => {
    const untagged = piece({ id: 'untagged', guessed: true, brushMin: 60, yellow: YELLOW });
    const { tasks } = tasksOf(bench([machine(['intake', 'wash', 'brighten'], { pieces: [untagged] })]));
    expect(tasks.map(({ about }) => about.kind)).toEqual(expect.arrayContaining(['tag', 'brush', 'expose']));
    expect(tasks.every(({ about }) => about.pieceId === null)).toBe(true);
  });
});

describe('what somebody said of a task', () => {
  const two = bench([machine(['keys', 'record'])]);
  const said = (marks: Record<string, MarkFacts>, more: Partial<BenchFacts> = {}) =>
    plan({ ...two, marks, ...more }).plan;
  const start = (found: BenchPlan, id: string) => found.tasks.find((one) => one.id === id)?.start;

  it('pinned it stays, put off it begins later, longer it takes longer', () => {
    expect(start(said({ 'm:record': { at: 300 } }), 'm:record')).toBe(300);
    expect(start(said({ 'm:record': { notBefore: 2000 } }), 'm:record')).toBe(2000);
    const longer = said({ 'm:stage:keys': { minutes: 90 } });
    expect(longer.tasks.find(({ id }) => id === 'm:stage:keys')).toMatchObject({ start: 0, end: 90 });
  });

  it('about to begin it stays, but not against its sun, nor where it was put off', () => {
    const sunny = (from: number) =>
      bench([machine(['brighten'], { pieces: [piece({ yellow: YELLOW })] })], {
        sun: Array.from({ length: 30 }, (_, day) => ({
          from: 1440 * day + from,
          to: 1440 * day + 480,
          dose: 12,
          own: false,
        })),
      });
    const exposure = (facts: BenchFacts) => plan(facts).plan.tasks.find(({ id }) => id.includes(':expose:'))!;
    const { id, start: at } = exposure(sunny(60));
    expect(exposure({ ...sunny(60), marks: { [id]: { soon: at + 30 } } }).start).toBe(at + 30);
    expect(exposure({ ...sunny(at + 60), marks: { [id]: { soon: at + 30 } } }).start).toBeGreaterThanOrEqual(at + 60);
    expect(start(said({ 'm:record': { soon: 300 } }), 'm:record')).toBe(300);
    expect(start(said({ 'm:record': { soon: 300, notBefore: 2000 } }), 'm:record')).toBe(2000);
  });

  it('dropped or done it is not planned, and what waited for it waits for what is left', () => {
    const facts = bench([machine(['wash', 'record'], { spots: [job({ id: 's', waitMin: 500 })] })]);
    const wash = 'm:wash:s';
    const ends = (more: Partial<BenchFacts>) => plan({ ...facts, ...more }).plan.tasks.map(({ id }) => id);
    expect(ends({ done: [wash] })).not.toContain(wash);
    expect(ends({ marks: { [wash]: { dropped: true } } })).not.toContain(wash);
    const { tasks } = tasksOf({ ...facts, marks: { 'm:dry:s': { dropped: true } } });
    expect(tasks.find(({ id }) => id === 'm:record')).toBeDefined();
  });

  it('pinned to where it cannot be it lies elsewhere, and that is said', () => {
    const found = said({ 'm:record': { at: 700 } });
    expect(found.unpinned).toEqual(['m:record']);
    expect(start(found, 'm:record')).toBeDefined();
  });

  it('given to somebody it waits for that one', () => {
    const people = [
      { id: 'a', available: [[0, 600]] as const },
      { id: 'b', available: [[900, 1200]] as const },
    ];
    const found = said({ 'm:record': { personId: 'b' } }, { people });
    expect(found.tasks.find(({ id }) => id === 'm:record')).toMatchObject({ who: 'hands:b' });
    expect(start(found, 'm:record')).toBeGreaterThanOrEqual(900);
  });

  it('what stood where it stands stays, where nothing asks for a move', () => {
    const facts = bench([machine(['keys']), machine(['mend'], { id: 'n' })]);
    const first = plan(facts).plan;
    const before = Object.fromEntries(first.tasks.map(({ id, start: at }) => [id, at]));
    expect(plan({ ...facts, before }).plan.tasks).toEqual(first.tasks);
  });
});

describe('a plan of the bench', () => {
  const some = fc.integer({ min: 1, max: 1e5 }).map((seed) => someBench(seed, 1 + (seed % 2)));

  it('is feasible by a checker that knows nothing of how it was made: acid never beside peroxide, nobody in two places', () =>
    fc.assert(
      fc.property(some, (facts) => {
        const { problem, plan: found } = plan(facts, 10);
        expect(faultsOf(withoutLost(problem, found), found.tasks)).toEqual([]);
        expect(found.tasks.length + found.leftOut.length).toBe(problem.tasks.length);
      }),
      { numRuns: 12 },
    ));

  it('comes before its bound never, and a machine that is wanted comes before one that is not', () => {
    const long = (id: string, wish: { dueMin: number; weight: number } | null) =>
      machine(['record'], { id, wish, mends: [] });
    const facts = bench([long('a', null), long('b', { dueMin: 40, weight: 1 })]);
    const { plan: found } = plan(facts);
    expect(found.ready.find(({ machine: one }) => one === 'b')).toMatchObject({ min: 30, lateMin: 0 });
    expect(found.makespan).toBeGreaterThanOrEqual(found.lowerBound);
  });

  it('names what is longer than any hours, and plans the rest', () => {
    const facts = bench([machine(['keys', 'record'])], { marks: { 'm:stage:keys': { minutes: 700 } } });
    const { leftOut, tasks } = plan(facts).plan;
    expect(leftOut[0]).toEqual({ id: 'm:stage:keys', why: { kind: 'hours', minutes: 700, longestMin: 600 } });
    expect(leftOut[1]).toMatchObject({ id: 'm:record', why: { kind: 'waits' } });
    expect(tasks).toEqual([]);
  });

  it('leaves out what sets up an exposure that finds no sun', () => {
    const facts = bench([machine(['brighten'], { pieces: [piece({ yellow: YELLOW })] })], {
      sun: bench([])
        .sun.slice(0, 1)
        .map((day) => ({ ...day, from: 0, to: 60 })),
    });
    const { tasks, leftOut } = plan(facts).plan;
    expect(tasks.filter(({ id }) => id.includes('set up'))).toEqual([]);
    const whyOf = (kind: string) => leftOut.find(({ id }) => id.includes(kind))!.why;
    expect(whyOf('set up')).toEqual({ kind: 'falls', with: leftOut.find(({ id }) => id.includes('expose'))!.id });
    expect(whyOf('wash off').kind).toBe('waits');
  });

  it.each([3, 10, 11])(
    'of more machines than there are hours it is laid in a few rounds: what finds no moment goes at once (bench %i)',
    (seed) => {
      const some = someBench(seed, 80);
      const planned = { start: 1440 + 600, end: 1440 + 780 };
      const facts = {
        ...some,
        people: some.people.map((one) => ({ ...one, available: one.available.slice(0, 25) })),
        machines: some.machines.map((one, i) => ({
          ...one,
          pieces: one.pieces.map((own) => (own.yellow && i % 2 ? { ...own, yellow: { ...own.yellow, planned } } : own)),
        })),
      };
      let rounds = -2;
      const { problem } = tasksOf(facts);
      const found = planBench(problem, { ...LIMITS, maxIterations: 0, clock: () => (rounds++, 0) });
      expect(found.leftOut.length).toBeGreaterThan(1000);
      // The clock is asked once for each round, and at both ends.
      expect(rounds).toBeLessThan(5);
      expect(faultsOf(withoutLost(problem, found), found.tasks)).toEqual([]);
    },
  );

  it('of many machines too many each says its own reason: nothing waits for another machine’s task', () => {
    const short = { sun: bench([]).sun.slice(0, 1), things: { ...bench([]).things, sun: 1 } };
    const machines = Array.from({ length: 12 }, (_, i) => ({
      ...machine(['brighten', 'record'], {
        pieces: [piece({ id: `k${i}`, yellow: YELLOW })],
      }),
      id: `machine${i}`,
    }));
    const { tasks, plan: found } = plan(bench(machines, short));
    expect(found.leftOut.filter(({ why }) => why.kind === 'falls').length).toBeGreaterThan(5);
    const machineOf = new Map(tasks.map(({ id, about }) => [id, about.machine]));
    expect(new Set(machineOf.values()).size).toBe(12);
    expect(found.leftOut.length).toBeGreaterThan(20);
    for (const { id, why } of found.leftOut) {
      const other = why.kind === 'waits' ? why.for : why.kind === 'falls' ? why.with : id;
      expect(machineOf.get(other)).toBe(machineOf.get(id));
    }
  });

  it('with nobody there for a week begins after it', () => {
    const facts = bench([machine(['record'])], { people: [{ id: 'a', available: [[7 * 1440, 7 * 1440 + 300]] }] });
    expect(plan(facts).plan.tasks[0]).toMatchObject({ start: 7 * 1440 });
  });

  it('keeps room that what runs takes up', () => {
    const facts = bench([machine(['wash'], { pieces: [piece({ brushMin: 10 })] })], {
      running: [{ place: 'tub', until: 90, peroxide: false }],
    });
    expect(plan(facts).plan.tasks.find(({ id }) => id === 'm:soak')!.start).toBe(90);
    const acid = bench([machine(['finish'], { rusts: [job({ id: 'x', acid: true })] })], {
      running: [{ place: 'sun', until: 200, peroxide: true }],
    });
    expect(plan(acid).plan.tasks.find(({ id }) => id === 'm:rust:x')!.start).toBe(200);
  });
});

it('answers five thousand tasks with what can be done, and does not take all day for their dates', () => {
  const tasks = Array.from({ length: 5000 }, (_, i) => ({
    ...{ id: String(i), machine: 'm', what: 'job', minutes: 5, hands: true, place: null, after: null },
  }));
  let ticks = 0;
  const facts = bench([machine(['record'])], { own: tasks });
  const { plan: found, ready } = workBench(
    { facts, ratios: [], seed: 1, timeLimitMs: 10, runs: 200 },
    () => (ticks += 1000),
  );
  // Three hundred hours of work in three hundred hours: nearly all of it finds its place, the rest is named.
  expect(found.tasks.length).toBeGreaterThan(3500);
  expect(found.tasks.length + found.leftOut.length).toBe(5001);
  expect(ready[0]!.ends.length).toBeLessThan(20);
}, 120_000);

describe('when a machine is ready', () => {
  const given = () => {
    const { problem, plan: found } = plan(someBench(11, 2));
    return (more: Partial<Parameters<typeof readyDates>[2]> = {}) =>
      readyDates(problem, found.order, { runs: 60, seed: 4, badSun: () => 0.3, pace: { mean: 0, sd: 0.3 }, ...more });
  };

  it('is the same for the same seed, and each run is what it was, however many there are', () => {
    const run = given();
    expect(run()).toEqual(run());
    const some = run({ runs: 20 });
    for (const [i, { ends }] of run().entries()) expect(ends.slice(0, 20)).toEqual(some[i]!.ends);
  });

  it('comes later where work drags on, and where the sun does not come', () => {
    const run = given();
    const middle = (dates: ReturnType<typeof run>) => dates.map(({ ends }) => quantile(ends, 0.5)!);
    const plain = middle(run());
    middle(run({ pace: { mean: 0.6, sd: 0.3 } })).forEach((end, i) => expect(end).toBeGreaterThanOrEqual(plain[i]!));
    const sums = (all: number[]) => all.reduce((sum, one) => sum + Math.min(one, 1e6), 0);
    expect(sums(middle(run({ badSun: () => 0.8 })))).toBeGreaterThan(sums(plain));
  });

  it('the pace is learnt from what was done, slowly', () => {
    const slow = paceOf(Array.from({ length: 20 }, () => 1.6));
    expect(slow.mean).toBeGreaterThan(0.4);
    expect(slow.mean).toBeLessThan(Math.log(1.6));
    expect(slow.sd).toBeLessThan(paceOf([]).sd);
    expect(paceOf([0, Infinity, 1]).mean).toBeLessThan(1);
  });

  it('parcels that came far off their day make the next ones less sure', () => {
    const came = (days: number) => Array.from({ length: 10 }, () => ({ ordered: 0, due: 10, arrived: days }));
    expect(parcelSpread(came(10))).toBeLessThan(parcelSpread([]));
    expect(parcelSpread(came(40))).toBeGreaterThan(parcelSpread([]));
  });
});

describe('what if', () => {
  const facts = bench([machine(['brighten', 'record'], { pieces: [piece({ yellow: YELLOW })] })]);
  const at = { midnight: 800, weekday: 0, lampMwPerCm2: 0 };
  const end = (of: BenchFacts) => plan(of).plan.makespan;

  it.each(WHAT_IFS)('%s leaves what is known as it was, and can be planned', (change) => {
    const before = JSON.stringify(facts);
    expect(end(changed(facts, change, at))).toBeGreaterThan(0);
    expect(JSON.stringify(facts)).toBe(before);
  });

  it('no sun for three days makes it later, more hands never', () => {
    expect(end(changed(facts, 'no sun for three days', at))).toBeGreaterThan(end(facts));
    expect(end(changed(facts, 'another pair of hands', at))).toBeLessThanOrEqual(end(facts));
  });

  it('the Saturday that is off is the next one: nobody is there, and nothing lies in its sun', () => {
    const off = changed(facts, 'Saturday off', at);
    const [from, to] = [800 + 4 * 1440, 800 + 5 * 1440];
    expect(off.people[0]!.available.some(([a, b]) => a < to && b > from)).toBe(false);
    expect(facts.people[0]!.available.some(([a, b]) => a < to && b > from)).toBe(true);
    expect(off.sun.some((day) => day.from < to && day.to > from)).toBe(false);
  });
});

it('is worked out whole: tasks, plan and dates of the same machines', () => {
  const worked = workBench(
    { facts: someBench(3, 2), ratios: [1, 2], seed: 1, timeLimitMs: 0, maxIterations: 5, runs: 5 },
    () => 0,
  );
  expect(worked.ready.map(({ machine: one }) => one).sort()).toEqual(
    worked.plan.ready.map(({ machine: one }) => one).sort(),
  );
});
