import { quantile } from '../numbers';
import type { Stage } from '../runsheet/stages';
import { planBench, type BenchProblem, type BenchTask } from '../schedule/bench';
import { workBench } from '../schedule/benchWork';
import { bench, machine, piece, YELLOW } from '../schedule/facts/facts.testing';
import type { MachineFacts } from '../schedule/facts/facts';
import { sessionsFor, tasksOf, type TaskKind } from '../schedule/facts/tasks';
import { parcelSpread } from '../schedule/parcels';
import { paceOf, readyDates } from '../schedule/ready';

/** How long a task of a kind is planned with. */
const lengthOf = (kind: TaskKind, open: readonly Stage[], more: Partial<MachineFacts> = {}) =>
  tasksOf(bench([machine(open, more)])).tasks.find(({ about }) => about.kind === kind)!.duration;
/** Its chance to be done again, or how sure its length is. */
const of = (kind: TaskKind, field: 'again' | 'spread', open: readonly Stage[], more: Partial<MachineFacts> = {}) =>
  tasksOf(bench([machine(open, more)])).tasks.find(({ about }) => about.kind === kind)![field];

const task = (id: string, duration: number, more: Partial<BenchTask> = {}): BenchTask => ({
  ...{ id, duration, uses: { 'hands:a': 1 }, after: [], machine: id[0]!, spread: 0, again: 0 },
  ...more,
});
const problem = (tasks: BenchTask[], more: Partial<BenchProblem> = {}): BenchProblem => ({
  ...{
    resources: [
      { id: 'hands:a', capacity: 1 },
      { id: 'sun', capacity: 1 },
    ],
    tasks,
    wishes: [],
    before: {},
  },
  ...more,
});
const LIMITS = { timeLimitMs: 0, maxIterations: 60, seed: 1, clock: () => 0 };
const cost = (given: BenchProblem) => Math.round(100 * planBench(given, LIMITS).cost) / 100;

/** Two machines in one sitting, the second after a rest. */
const twoMachines = (rest: number) => problem([task('a', 10), task('b', 10, { windows: [[10 + rest, 20 + rest]] })]);
const alone = (rest: number) =>
  problem([task('a', 10), task('b', 10, { machine: 'a', windows: [[10 + rest, 20 + rest]] })]);

/** The middle day of a machine of one long task, over the plan. */
const middle = (): number => {
  const one = problem([task('a', 600, { spread: 0.05 })]);
  const { ends } = readyDates(one, ['a'], { runs: 101, seed: 3, badSun: () => 0, pace: paceOf([]) })[0]!;
  return quantile(ends, 0.5)!;
};
const lateDays = (own: boolean): number => {
  const facts = bench([machine(['brighten'], { pieces: [piece({ yellow: YELLOW })] })]);
  const worked = workBench(
    {
      facts: { ...facts, sun: facts.sun.map((day) => ({ ...day, own })) },
      ...{ ratios: [], seed: 2, timeLimitMs: 0, maxIterations: 20, runs: 80 },
    },
    () => 0,
  );
  return worked.ready[0]!.ends.filter((end) => end > 3 * 1440).length;
};
const absent = (): number => {
  const facts = bench([machine(['keys'])]);
  const { problem: given } = tasksOf(facts);
  return readyDates(
    given,
    given.tasks.map(({ id }) => id),
    {
      ...{ runs: 100, seed: 5, badSun: () => 0 },
      pace: { mean: 0, sd: 0 },
    },
  )[0]!.ends.filter((end) => end > 1440).length;
};
const REQUEST = { id: 'q', what: 'may it', stage: 'mend', pieceId: null, asked: 0 } as const;
const ORDER = { id: 'o', what: 'a part', due: null, spread: 0.5 };
const BOARD = { id: 'b', name: 'keys', keys: 100 };
const JOB = {
  id: 'j',
  name: 'job',
  pieceId: null,
  handsMin: 9,
  waitMin: 0,
  acid: false,
  notBefore: 0,
  orderId: null,
  takes: [],
};
const COAT = {
  ...{ id: 'c', name: 'coat', jobId: 'j', pieceId: null, minLag: 0, maxLag: null, underLaid: null },
  windows: null,
  takes: { stockId: null, word: 'primer', amount: 9 },
};
const BRIGHT = { pieces: [piece({ yellow: YELLOW })] };

/** Cases that the numbers of the plan decide. */
export const PLAN_CASES = {
  'another machine in one sitting': {
    decides: 'what turning to another machine costs a plan',
    of: () => Math.round(cost(twoMachines(0)) - cost(alone(0))),
    // Each machine by itself counts a tenth of its end.
    is: 6,
    other: 9,
  },
  'one sitting': {
    decides: 'whether hands that rested 55 min are in another sitting',
    of: () => cost(twoMachines(55)) - cost(alone(55)) > 2,
    is: true,
    other: 30,
  },
  'a task that moves': {
    decides: 'what it costs to begin a task at another time than before',
    of: () =>
      Math.round(
        cost(problem([task('a', 10)], { before: { a: 0 } })) +
          cost(problem([task('a', 10, { windows: [[1440, 1500]] })], { before: { a: 0 } })) -
          cost(problem([task('a', 10)])) -
          cost(problem([task('a', 10, { windows: [[1440, 1500]] })])),
      ),
    is: 8,
    other: 20,
  },
  'spread of hands work': {
    decides: 'how sure the length of a task of hands is',
    of: () => of('record', 'spread', ['record']),
    is: 0.35,
    other: 0.5,
  },
  'spread between workshops': {
    decides: 'how sure a workshop’s pace is before anything was watched',
    of: () => paceOf([]).sd,
    is: 0.3,
    other: 0.4,
  },
  'work drags on': {
    decides: 'how much longer the middle run takes than ten hours',
    of: () => Math.round(middle() / 10),
    is: 72,
    other: 0,
  },
  'somebody is not there': {
    decides: 'in how many of a hundred runs a look takes till tomorrow',
    of: absent,
    is: 7,
    other: 0.5,
  },
  'sun that does not come': {
    decides: 'in how many of eighty runs a session under a sky that nobody looked at is late',
    of: () => lateDays(false),
    is: 43,
    other: 0,
  },
  'sun that does not come after a look': {
    decides: 'whether a sky that somebody looked at is surer',
    of: () => lateDays(true) < lateDays(false),
    is: true,
    other: 0.9,
  },
  'enough of the sun': {
    decides: 'on how many of three days a session may lie',
    of: () =>
      sessionsFor(
        YELLOW,
        [10, 8.5, 20].map((dose, day) => ({ from: 1440 * day, to: 1440 * day + 360, dose, own: false })),
      )!.windows!.length,
    is: 3,
    other: 0.9,
  },
  'an owner answers': {
    decides: 'how long an answer is waited for',
    of: () => lengthOf('answer', ['mend'], { requests: [REQUEST] }),
    is: 2880,
    other: 3,
  },
  'spread of answers': {
    decides: 'how sure that is',
    of: () => of('answer', 'spread', ['mend'], { requests: [REQUEST] }),
    is: 0.9,
    other: 0.5,
  },
  'a parcel takes': {
    decides: 'how long what is not ordered yet takes',
    of: () => lengthOf('parcel', ['mend'], { orders: [ORDER] }),
    is: 11_520,
    other: 4,
  },
  'spread of parcels': {
    decides: 'how sure parcels are before any came',
    of: () => parcelSpread([]),
    is: 0.5,
    other: 1,
  },
  'photographing a machine': {
    decides: 'how long it is planned with',
    of: () => lengthOf('photograph', ['intake'], { photographed: false }),
    is: 20,
    other: 30,
  },
  'tagging its pieces': {
    decides: 'how long it is planned with',
    of: () => lengthOf('tag', ['intake'], { pieces: [] }),
    is: 15,
    other: 30,
  },
  'taking a machine apart': {
    decides: 'how long a teardown of which nothing is known takes',
    of: () => lengthOf('teardown', ['teardown']),
    is: 90,
    other: 30,
  },
  'a step out': {
    decides: 'how long ten steps out take',
    of: () => lengthOf('teardown', ['teardown'], { toTakeOut: 10 }),
    is: 40,
    other: 5,
  },
  'putting a machine together': {
    decides: 'how long a rebuild of which nothing is known takes',
    of: () => lengthOf('rebuild', ['rebuild']),
    is: 90,
    other: 30,
  },
  'a step back': {
    decides: 'how long ten steps back take',
    of: () => lengthOf('rebuild', ['rebuild'], { toPutBack: 10 }),
    is: 50,
    other: 6,
  },
  'measuring a piece': {
    decides: 'how long it is planned with',
    of: () => lengthOf('measure', ['brighten'], { pieces: [piece({ unmeasured: true })] }),
    is: 8,
    other: 5,
  },
  'washing off': {
    decides: 'how long it is planned with',
    of: () => lengthOf('wash off', ['brighten'], BRIGHT),
    is: 15,
    other: 5,
  },
  'pressing a key': {
    decides: 'how long a test of a hundred keys takes',
    of: () => lengthOf('test keys', ['keys'], { boards: [BOARD] }),
    is: 15,
    other: 0.2,
  },
  'laying a coat': {
    decides: 'how long it is planned with',
    of: () => lengthOf('coat', ['finish'], { coats: [COAT] }),
    is: 20,
    other: 5,
  },
  'a function test': {
    decides: 'how long it is planned with',
    of: () => lengthOf('test', ['rebuild']),
    is: 20,
    other: 5,
  },
  'writing the record': {
    decides: 'how long it is planned with',
    of: () => lengthOf('record', ['record']),
    is: 30,
    other: 5,
  },
  'a stage nobody knows of': {
    decides: 'how long a look takes',
    of: () => lengthOf('stage', ['keys']),
    is: 15,
    other: 5,
  },
  'a pass that has to be done again': {
    decides: 'how often a pass at the sink is repeated',
    of: () => of('wash', 'again', ['wash'], { spots: [JOB] }),
    is: 0.3,
    other: 0.1,
  },
  'a session more than foretold': {
    decides: 'how often the last session is not the last',
    of: () => of('expose', 'again', ['brighten'], BRIGHT),
    is: 0.35,
    other: 0.1,
  },
  'a repair that has to be done again': {
    decides: 'how often a repair is repeated',
    of: () => of('mend', 'again', ['mend'], { mends: [JOB] }),
    is: 0.15,
    other: 0.1,
  },
  'a test that fails': {
    decides: 'how often a test before closing is repeated',
    of: () => of('test', 'again', ['rebuild']),
    is: 0.15,
    other: 0.1,
  },
};
