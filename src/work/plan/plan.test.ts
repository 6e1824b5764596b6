import { workBench, type BenchWork } from '@/core/schedule/benchWork';
import { simulatedAir } from '@/simulators/weather/air';
import { simulatedSky } from '@/simulators/weather/sky';
import { airOver, skyOver } from '@/data/weather';
import { keepPlan, newestShown, planRead, planThatStands } from '@/data/plans';
import { findRows } from '@/data/table';
import { addFinding } from '../findings';
import { endPass, startPass } from '../wash/pass';
import { nameSoil } from '../wash/soil';
import { washSpots } from '../wash/spots';
import { addOrder, delayOrder, moveOrder, placeOrder } from '../orders';
import { addPerson, changePersonHours, keepHours, saveWorkshop } from '../workshop';
import { settleStage } from '../stages';
import { freshFolder, inTrialWorkshop, TRIAL_WORKSHOP, trialPiece, trialRestoration } from '../trial';
import { benchFacts, type Outside } from './facts';
import { isStale, keepPlanTrue, replan, wholeMinute } from './replan';
import {
  addOwnTask,
  beginTask,
  doneLately,
  dropTask,
  endTask,
  giveTask,
  keepOldPlan,
  lengthenTask,
  pinTask,
  putTaskOff,
  taskNotDone,
  unmarkTask,
  wishFor,
} from './said';
import { costOfMove, whatIf } from './whatIf';

jest.mock('@/data/heavyPool', () => ({
  inPool: jest.fn(jest.requireActual<{ inPool: () => Promise<unknown> }>('@/data/heavyPool.testing').inPool),
}));
const pool = jest.requireMock<{ inPool: jest.Mock }>('@/data/heavyPool');

inTrialWorkshop();

const outside: Outside = {
  sky: skyOver((p, from, hours) => Promise.resolve(simulatedSky(p.latitude, p.longitude, from, hours))),
  air: airOver((p, from, hours) => Promise.resolve(simulatedAir(p.latitude, p.longitude, from, hours))),
};
/** Ten in the morning there: somebody is at the bench. Any other day is as good. */
const NOW = wholeMinute(new Date('2026-06-21T12:00:00Z'));
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
const plan = async (at: Date = NOW) =>
  replan(at, outside, (work) => Promise.resolve(workBench({ ...work, maxIterations: 60, runs: 20 }, () => 0)));
const taskOf = async (kind: string) => (await planThatStands())!.plan.tasks.find(({ about }) => about.kind === kind)!;

beforeEach(async () => {
  await freshFolder();
  await saveWorkshop(TRIAL_WORKSHOP, NOW);
});

it('plans what a restoration that was just opened asks for, in the order of the work', async () => {
  await trialRestoration();
  const { plan: found } = await plan();
  const at = (kind: string) => Date.parse(found.tasks.find(({ about }) => about.kind === kind)!.from);
  expect(at('photograph')).toBe(NOW.getTime());
  for (const [first, then] of [
    ['photograph', 'tag'],
    ['tag', 'teardown'],
    ['teardown', 'brush'],
    ['rebuild', 'test'],
    ['test', 'record'],
  ] as const)
    expect(at(then)).toBeGreaterThan(at(first));
  expect(found.ready).toHaveLength(1);
  expect(Date.parse(found.ready[0]!.nine!)).toBeGreaterThanOrEqual(Date.parse(found.ready[0]!.six!));
});

it('is stale once something was written, and when it is old, and the clock set back', async () => {
  await trialRestoration();
  await plan();
  expect(await isStale(NOW)).toBe(false);
  expect(await isStale(later(30))).toBe(true);
  expect(await isStale(later(-60))).toBe(true);
  await addPerson('Ida', NOW);
  expect(await isStale(NOW)).toBe(true);
});

it('what was begun and done leaves the plan with its minutes, and can be put right', async () => {
  const { id } = await trialRestoration();
  await plan();
  const photograph = await taskOf('photograph');
  await beginTask(photograph.id, NOW);
  await beginTask(photograph.id, NOW);
  await endTask(photograph.id, 'done', null, 0, later(13));
  expect((await findRows('ledger', { restorationId: id })).filter(({ kind }) => kind === 'minutes')).toMatchObject([
    { minutes: 13, words: 'Photograph every side' },
  ]);
  await plan(later(14));
  expect(await taskOf('photograph')).toBeUndefined();
  const [run] = await doneLately(5);
  await taskNotDone(run!.id, later(15));
  await plan(later(16));
  expect(await taskOf('photograph')).toBeDefined();
});

it('a beginning that was forgotten counts no minutes; not yet and could not put it off', async () => {
  await trialRestoration();
  await plan();
  const task = await taskOf('photograph');
  await beginTask(task.id, NOW);
  await endTask(task.id, 'could not', 'something is missing', 180, later(300));
  const [run] = await findRows('task_runs');
  expect(run).toMatchObject({ outcome: 'could not', minutes: null, words: 'something is missing' });
  await plan(later(301));
  expect(Date.parse((await taskOf('photograph')).from)).toBeGreaterThanOrEqual(later(480).getTime());
});

it('what is about to begin by the plan goes when it could not be done', async () => {
  await trialRestoration();
  await plan();
  const task = await taskOf('photograph');
  expect(Date.parse(task.from)).toBe(NOW.getTime());
  await endTask(task.id, 'could not', 'something is missing', 24 * 60, NOW);
  await plan();
  expect(Date.parse((await taskOf('photograph')).from)).toBeGreaterThanOrEqual(later(24 * 60).getTime());
});

it('what is said of tasks holds: pinned, put off, longer, given, dropped, free again', async () => {
  await trialRestoration();
  await addPerson('Ida', NOW);
  await addPerson('Ole', NOW);
  const people = await findRows('people', {}, [['addedAt', 'ASC']]);
  await plan();
  const { id } = await taskOf('photograph');
  const start = async () => Date.parse((await taskOf('photograph')).from);
  await pinTask(id, later(120), 'pinned.', NOW);
  await plan();
  expect(await start()).toBe(later(120).getTime());
  expect((await taskOf('photograph')).pinned).toBe(true);
  await putTaskOff(id, later(200), 'put off.', NOW);
  await plan();
  expect(await start()).toBeGreaterThanOrEqual(later(200).getTime());
  await unmarkTask(id, NOW);
  await lengthenTask(id, 55, NOW);
  await giveTask(id, people[1]!.id, NOW);
  await plan();
  const given = await taskOf('photograph');
  expect(given.who).toBe(`hands:${people[1]!.id}`);
  expect(Date.parse(given.to) - Date.parse(given.from)).toBe(55 * 60_000);
  await dropTask(id, NOW);
  await plan();
  expect(await taskOf('photograph')).toBeUndefined();
  await unmarkTask(id, NOW);
  await plan();
  expect(await taskOf('photograph')).toBeDefined();
  await expect(pinTask(id, later(-100), '', NOW)).rejects.toThrow(/is over/);
  await expect(pinTask('gone', later(100), '', NOW)).rejects.toThrow(/not in the plan any more/);
});

it('two devices that move one task: the later word holds, and nothing is lost from the log', async () => {
  await trialRestoration();
  await plan();
  const { id } = await taskOf('photograph');
  await Promise.all([pinTask(id, later(60), 'one.', NOW), pinTask(id, later(120), 'two.', NOW)]);
  expect(await findRows('task_marks')).toHaveLength(1);
  expect(await findRows('log', { kind: 'plan' })).toHaveLength(2);
});

it('a parcel that comes later moves what waits for it, says so, and can be taken back as far as it can be', async () => {
  const { id: restorationId } = await trialRestoration();
  const orderId = await addOrder({ restorationId, pieceId: null, repairId: null, what: 'new foil', words: '' }, NOW);
  await placeOrder(orderId, { priceMinor: null, dueDays: 3 }, NOW);
  await plan();
  await delayOrder(orderId, 12, NOW);
  const { plan: found, number } = await plan();
  expect(found.moved!.causes).toContainEqual({ kind: 'parcel', what: 'new foil', later: true });
  expect(found.moved!.tasks.some(({ about }) => about.kind === 'rebuild')).toBe(true);
  expect(found.moved!.ready).toHaveLength(1);
  const { kept } = await keepOldPlan(number, NOW);
  expect(kept).toBe(found.moved!.tasks.length);
  const after = (await plan()).plan;
  // The rebuild cannot be before its parcel: it is said, and it lies where it can be.
  expect(after.unpinned.some((one) => one.endsWith(':rebuild'))).toBe(true);
  await expect(keepOldPlan(number, NOW)).rejects.toThrow(/made anew meanwhile/);
  await moveOrder(orderId, 'arrived', NOW);
  expect((await plan()).plan.moved!.causes).toContainEqual({ kind: 'arrived', what: 'new foil' });
});

it('a sky that turns grey moves what needs it, and nothing else needs to be typed', async () => {
  await trialPiece();
  await plan();
  const before = (await planThatStands())!.plan.tasks.find(({ about }) => about.kind === 'expose');
  expect(before).toBeUndefined();
  const { id } = await trialRestoration();
  await settleStage(id, 'teardown', 'not needed', 'in parts already', NOW);
  await plan();
  const first = await taskOf('expose');
  const hours = Array.from({ length: 24 * 4 }, (_, h) => ({
    at: new Date(Math.floor(Date.parse(first.from) / 86_400_000) * 86_400_000 + h * 3_600_000),
    cloud: 1,
  }));
  await keepHours(hours, 'file', 'grey.', NOW);
  const { plan: found } = await plan();
  expect(found.moved!.causes.some(({ kind }) => kind === 'sky')).toBe(true);
  expect(Date.parse((await taskOf('expose')).from)).toBeGreaterThan(Date.parse(first.from));
});

it('somebody who is away is not planned with', async () => {
  await trialRestoration();
  await addPerson('Ida', NOW);
  await plan();
  const [ida] = await findRows('people');
  await changePersonHours(ida!.id, null, ['2026-06-21', '2026-06-22'], NOW);
  const { plan: found } = await plan();
  expect(found.moved!.causes.some(({ kind }) => kind === 'people' || kind === 'late')).toBe(true);
  expect((await taskOf('photograph')).from >= '2026-06-23').toBe(true);
});

it('own tasks are planned, wait for what they wait for, and go once they are done', async () => {
  const { id } = await trialRestoration();
  await plan();
  const photograph = await taskOf('photograph');
  await addOwnTask(
    { restorationId: id, what: 'call the seller', minutes: 10, hands: true, place: null, afterTask: photograph.id },
    NOW,
  );
  await plan();
  const own = await taskOf('own');
  expect(Date.parse(own.from)).toBeGreaterThanOrEqual(Date.parse((await taskOf('photograph')).to));
  await endTask(own.id, 'done', null, 0, NOW);
  await plan();
  expect(await taskOf('own')).toBeUndefined();
});

it('a wanted day has its odds', async () => {
  const { id } = await trialRestoration();
  await wishFor(id, later(90 * 1440), 1, NOW);
  expect((await plan()).plan.ready[0]!.odds).toBeGreaterThan(0.9);
  await wishFor(id, later(60), 1, NOW);
  expect((await plan()).plan.ready[0]!.odds).toBe(0);
  await wishFor(id, null, 1, NOW);
  expect((await plan()).plan.ready[0]!.odds).toBeNull();
});

it('a finding that asks for the sink is a task, and one pass later another', async () => {
  const piece = await trialPiece();
  const finding = await addFinding(
    {
      ...{ restorationId: piece.restorationId, pieceId: piece.id, stage: 'wash', kind: 'soiled', severity: 'plain' },
      words: 'brown veil',
    },
    NOW,
  );
  const spots = async () => (await benchFacts(NOW, outside)).machines[0]!.spots;
  const [first] = await spots();
  expect(first).toMatchObject({ name: 'brown veil', pieceId: piece.id });
  await nameSoil(finding.id, 'nicotine', 'front', NOW);
  const [spot] = await washSpots(piece.restorationId);
  await startPass([finding.id], spot!.next!.agent, NOW);
  await endPass((await findRows('sink_steps'))[0]!.id, 'no change', '', later(10));
  const [second, ...rest] = await spots();
  expect(second).toMatchObject({ name: 'brown veil, pass 2', pieceId: piece.id });
  expect(second!.id).not.toBe(first!.id);
  expect(rest).toEqual([]);
});

it('what a move costs is told without keeping anything', async () => {
  await trialRestoration();
  await plan();
  const { id } = await taskOf('photograph');
  const cost = await costOfMove(id, later(24 * 60), NOW, outside);
  expect(cost.impossible).toBe(false);
  expect(cost.laterMin[0]!.min).toBeGreaterThan(0);
  expect(cost).toMatchObject({ laterMin: [{ title: 'Trial machine' }], moreLater: 0 });
  expect((await costOfMove(id, later(-60), NOW, outside)).impossible).toBe(true);
  // At night nobody is there.
  expect((await costOfMove(id, later(15 * 60), NOW, outside)).impossible).toBe(true);
  expect(await findRows('task_marks')).toEqual([]);
});

it('of many machines that a move delays the worst are told by name, and what failed to be worked out is asked again', async () => {
  for (let i = 0; i < 5; i++) await trialRestoration();
  await plan();
  const { id } = await taskOf('photograph');
  pool.inPool.mockRejectedValueOnce(new Error('no room'));
  await expect(costOfMove(id, later(24 * 60), NOW, outside)).rejects.toThrow('no room');
  const { laterMin, moreLater, moved } = await costOfMove(id, later(24 * 60), NOW, outside);
  expect(laterMin.length).toBeLessThanOrEqual(3);
  expect(laterMin.length + moreLater).toBeLessThanOrEqual(5);
  expect(moved).toBeGreaterThan(0);
  const sizes = laterMin.map(({ min }) => Math.abs(min));
  expect(sizes).toEqual(sizes.toSorted((a, b) => b - a));
});

it('what if: both plans machine by machine, those first that differ most', async () => {
  for (let i = 0; i < 42; i++) await trialRestoration();
  const { rows, moreRows, end, leftOut } = await whatIf('no sun for three days', NOW, outside);
  expect([rows.length, moreRows]).toEqual([40, 2]);
  expect(rows.every(({ title }) => title === 'Trial machine')).toBe(true);
  expect(end.every((minutes) => minutes > 0)).toBe(true);
  expect(leftOut).toEqual([0, 0]);
});

it('what if on a slow machine: what changes nothing changes no date, however often each plan was played through', async () => {
  for (let i = 0; i < 3; i++) await trialRestoration();
  const asked: BenchWork[] = [];
  pool.inPool.mockImplementation((_: string, work: BenchWork) => {
    asked.push(work);
    // The second time there is only time for a few runs.
    const runs = asked.length === 1 ? 40 : 7;
    return Promise.resolve(workBench({ ...work, runs, maxIterations: work.maxIterations ?? 15 }, () => 0));
  });
  try {
    const { rows } = await whatIf('one more tub', NOW, outside);
    expect(asked.map(({ maxIterations, runs }) => [maxIterations, runs])).toEqual([
      [undefined, 200],
      [15, 40],
    ]);
    expect(rows).toHaveLength(3);
    for (const { six, nine } of rows) expect([six[0], nine[0]]).toEqual([six[1], nine[1]]);
  } finally {
    pool.inPool.mockImplementation(
      jest.requireActual<{ inPool: () => Promise<unknown> }>('@/data/heavyPool.testing').inPool,
    );
  }
});

it('screens draw themselves anew with each plan, and what was read is said no more', async () => {
  await trialRestoration();
  const before = await newestShown();
  const { number, plan: found } = await plan();
  expect(await newestShown()).toBeGreaterThan(before);
  await keepPlan({ ...found, moved: { causes: [], tasks: [], ready: [] } }, 1, NOW);
  await planRead(number);
  expect((await planThatStands())!.plan.moved).not.toBeNull();
  await planRead(number + 1);
  expect((await planThatStands())!.plan.moved).toBeNull();
});

it('a plan that takes long is made anew only after as long a rest; a quick one whenever something happens', async () => {
  const kept = globalThis as { kvellPlanning?: Promise<void> };
  const now = jest.spyOn(performance, 'now');
  try {
    let [at, takes] = [1000, 30_000];
    now.mockImplementation(() => at);
    const fault = jest.fn();
    const numberAfter = async () => {
      keepPlanTrue(() => NOW, outside, fault);
      await kept.kvellPlanning;
      return (await planThatStands())?.number ?? 0;
    };
    const { inPool } = jest.requireActual<{ inPool: (...given: unknown[]) => Promise<unknown> }>(
      '@/data/heavyPool.testing',
    );
    pool.inPool.mockImplementation((name: string, work: BenchWork) => {
      at += takes;
      return inPool(name, { ...work, timeLimitMs: 0, maxIterations: 0, runs: 1 });
    });
    const first = await numberAfter();
    await trialRestoration();
    at += takes - 1;
    expect(await numberAfter()).toBe(first);
    at += 1;
    takes = 9000;
    expect(await numberAfter()).toBe(first + 1);
    await trialRestoration();
    expect(await numberAfter()).toBe(first + 2);
    expect(fault).not.toHaveBeenCalled();
    // What fails after long work is not begun again at once either.
    pool.inPool.mockImplementation(() => {
      at += 30_000;
      return Promise.reject(new Error('Too much memory.'));
    });
    await trialRestoration();
    await numberAfter();
    at += 29_999;
    await numberAfter();
    expect(fault).toHaveBeenCalledTimes(1);
    at += 1;
    await numberAfter();
    expect(fault).toHaveBeenCalledTimes(2);
    pool.inPool.mockImplementation(inPool);
  } finally {
    now.mockRestore();
  }
});

it('with nothing open there is a plan of nothing', async () => {
  const { plan: found } = await plan();
  expect(found).toMatchObject({ tasks: [], leftOut: [], ready: [], makespan: 0 });
});
