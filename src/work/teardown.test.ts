import { addFinding, settleFinding } from './findings';
import { findingsOf } from '@/data/findings';
import { keepFunctionTest } from './tests';
import { functionTestsOf } from '@/data/functionTests';
import { addPiece } from './pieces';
import type { Lot } from '@/core/teardown/lots';
import { logOf } from '@/data/log';
import type { LotRow, RemovalStep } from '@/data/rows';
import { settleStage } from './stages';
import { addTimer, endTimer, startTimer } from './timers';
import { inMinutes, inTrialWorkshop, TRIAL_PIECE, trialRestoration, tick } from './trial';
import {
  addBlock,
  addConnection,
  addLot,
  addTray,
  forgetStep,
  laidAside,
  recount,
  removeBlock,
  stepIsPiece,
  takeOff,
} from './teardown';
import { inTrays, listTrays, teardownOf } from '@/data/teardown';
import { explainLot, putOn, takeOffAgain, tickConnection, tickLot } from './rebuild/on';
import { holdsOf } from './rebuild/rules';
import { TEST_ITEMS, type TestResults } from '@/core/runsheet/functionTest';

inTrialWorkshop();

const LOT: Lot = {
  thing: 'screw',
  drive: 'cross',
  head: 'pan',
  diameterMm: 3,
  lengthMm: 8,
  shank: 'tapered',
  count: 4,
  fate: 'kept',
};
const RESULTS = Object.fromEntries(TEST_ITEMS.map((item) => [item, 'works'])) as TestResults;

async function machine(...names: string[]): Promise<{ restorationId: string; steps: RemovalStep[] }> {
  const { id: restorationId } = await trialRestoration();
  const steps: RemovalStep[] = [];
  for (const name of names)
    steps.push(await takeOff({ restorationId, name, joint: 'screws', way: '', springs: '' }, tick()));
  return { restorationId, steps };
}
const lotOf = async ({ restorationId, id }: RemovalStep): Promise<LotRow> =>
  (await teardownOf(restorationId)).lots.find(({ stepId }) => stepId === id)!;

describe('taking off', () => {
  it('numbers what comes off, and takes no name twice', async () => {
    const { restorationId, steps } = await machine('Lid screws', 'Lid');
    expect(steps.map(({ position }) => position)).toEqual([1, 2]);
    await expect(takeOff({ restorationId, name: 'lid', joint: 'clips', way: '', springs: '' }, tick())).rejects.toThrow(
      'came off already, as number 2',
    );
    expect((await logOf(restorationId)).slice(-2).map(({ words }) => words)).toEqual([
      '1. Off: Lid screws.',
      '2. Off: Lid.',
    ]);
  });

  it('gives each lot the next free cell of the trays, and none when they are full', async () => {
    await addTray({ name: 'T', columns: 2, rows: 1 }, tick());
    await expect(addTray({ name: 'T', columns: 3, rows: 3 }, tick())).rejects.toThrow('already');
    const { steps } = await machine('a');
    const cells = [];
    for (let i = 0; i < 3; i++) cells.push((await addLot(steps[0]!.id, LOT, null, tick())).cell);
    expect(cells).toEqual([0, 1, null]);
    expect(await listTrays()).toHaveLength(1);
  });

  it('a step that others lean on is not forgotten; alone it is, and the log keeps it', async () => {
    const { restorationId, steps } = await machine('a', 'b');
    await addLot(steps[1]!.id, LOT, null, tick());
    await addBlock(steps[0]!.id, steps[1]!.id, '', tick());
    await expect(forgetStep(steps[1]!.id, tick())).rejects.toThrow('Blocks lean on “b”: a');
    await removeBlock((await teardownOf(restorationId)).blocks[0]!.id, tick());
    await forgetStep(steps[1]!.id, tick());
    expect(await teardownOf(restorationId)).toMatchObject({ steps: [{ name: 'a' }], lots: [], blocks: [] });
    expect((await logOf(restorationId)).at(-1)!.data).toMatchObject({ lots: [{ count: 4 }] });
  });

  it('a step cannot block itself, nor one pair twice', async () => {
    const { steps } = await machine('a', 'b');
    await expect(addBlock(steps[0]!.id, steps[0]!.id, '', tick())).rejects.toThrow('cannot wait for itself');
    await addBlock(steps[0]!.id, steps[1]!.id, '', tick());
    await expect(addBlock(steps[0]!.id, steps[1]!.id, '', tick())).rejects.toThrow('stands already');
  });
});

describe('putting on', () => {
  it('goes lot by lot; two screens cannot count the same screws', async () => {
    const { steps } = await machine('a');
    const { id } = await addLot(steps[0]!.id, LOT, null, tick());
    const both = await Promise.allSettled([tickLot(id, 4, 8, 0, tick()), tickLot(id, 4, 8, 0, tick())]);
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    expect((await lotOf(steps[0]!)).returned).toBe(4);
    await expect(recount(id, 3, tick())).rejects.toThrow('cannot have fewer');
  });

  it('the wrong length is not ticked', async () => {
    const { steps } = await machine('a');
    const { id } = await addLot(steps[0]!.id, LOT, null, tick());
    await expect(tickLot(id, 1, 12, 0, tick())).rejects.toThrow('too long for this hole');
    expect((await lotOf(steps[0]!)).returned).toBe(0);
  });

  it('waits for blocks, fasteners and connections, each named', async () => {
    const { steps } = await machine('outer shield', 'inner shield');
    const [outer, inner] = [steps[0]!, steps[1]!];
    await addBlock(inner.id, outer.id, 'sits below it', tick());
    const lot = await addLot(outer.id, { ...LOT, count: 2 }, null, tick());
    const plug = await addConnection({ stepId: outer.id, kind: 'plug', way: 'red to the edge' }, tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow(
      '“inner shield” must be on before “outer shield”',
    );
    await putOn({ stepId: inner.id, words: '' }, tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('Still out: 2 × cross pan');
    await tickLot(lot.id, 1, 8, 0, tick());
    await expect(explainLot(lot.id, 1, '', tick())).rejects.toThrow('what became of them');
    await explainLot(lot.id, 1, 'lost, none put in', tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow(
      'Not connected yet: plug (red to the edge)',
    );
    await tickConnection(plug.id, tick());
    await tickConnection(plug.id, tick());
    await putOn({ stepId: outer.id, words: 'tab glued' }, tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('Nothing was counted twice');
    await takeOffAgain(outer.id, 'plug was reversed', tick());
    expect((await teardownOf(outer.restorationId)).connections[0]!.tickedAt).toBeNull();
    expect((await lotOf(outer)).returned).toBe(0);
  });
});

describe('the tray', () => {
  it('gives a cell to one machine at a time, frees it when all is back, and a new tray takes what lies about', async () => {
    const [one, two] = [await machine('lid'), await machine('lid')];
    for (const tray of await listTrays()) expect(tray.columns * tray.rows).toBeLessThan(3);
    const lots = [];
    for (const { steps } of [one, two, one]) lots.push(await addLot(steps[0]!.id, LOT, null, tick()));
    expect(lots.map(({ cell }) => cell)).toEqual([null, null, null]);
    await addTray({ name: 'U', columns: 20, rows: 1 }, tick());
    const places = async () => (await inTrays()).filter(({ tray }) => tray === 'U').map(({ cell }) => cell!);
    const cellOf = async (id: string) => (await inTrays()).find((lot) => lot.id === id)!.cell!;
    const [a, b, c] = [await cellOf(lots[0]!.id), await cellOf(lots[1]!.id), await cellOf(lots[2]!.id)];
    expect([b - a, c - b]).toEqual([1, 1]);
    await tickLot(lots[0]!.id, 4, 8, 0, tick());
    expect(await places()).not.toContain(a);
    while ((await places()).length < 20) await addLot(two.steps[0]!.id, LOT, null, tick());
    expect(new Set(await places()).size).toBe(20);
    expect((await addLot(two.steps[0]!.id, LOT, null, tick())).cell).toBeNull();
  });
});

describe('what was off before, and which way round it was', () => {
  it('is listed, goes on last, and is missed until then', async () => {
    const { restorationId } = await machine('lid');
    const strip = await laidAside({ restorationId, name: 'Trim strip', way: 'in the drawer' }, tick());
    await expect(laidAside({ restorationId, name: 'lid', way: '' }, tick())).rejects.toThrow('on the list already');
    const { steps } = await teardownOf(restorationId);
    expect(steps.map(({ name, position }) => [name, position])).toEqual([
      ['Trim strip', 0],
      ['lid', 1],
    ]);
    await expect(settleStage(restorationId, 'rebuild', 'done', null, tick())).rejects.toThrow(
      'Trim strip is not on yet',
    );
    await putOn({ stepId: strip.id, words: '' }, tick());
  });

  it('a plug without its way round holds the next thing off, and does not go on', async () => {
    const { id: restorationId } = await trialRestoration();
    const off = (name: string, joint: 'plug' | 'clips' | 'wires', round = '') =>
      takeOff({ restorationId, name, joint, way: '', springs: '', round }, tick());
    const plug = await off('Lamp plug', 'plug');
    await expect(off('Lid', 'clips')).rejects.toThrow('“Lamp plug” has no way round on record yet');
    await expect(putOn({ stepId: plug.id, words: '' }, tick())).rejects.toThrow('has no way round on record');
    await addConnection({ stepId: plug.id, kind: 'plug', way: 'red left' }, tick());
    await off('Sound wires', 'wires', 'black is upper');
    await off('Lid', 'clips');
    expect((await teardownOf(restorationId)).connections.map(({ way }) => way)).toEqual(['red left', 'black is upper']);
  });
});

describe('going on', () => {
  it('waits while the piece dries, not for a session that is planned, and covers nothing that is still open', async () => {
    const { id: restorationId } = await trialRestoration();
    const off = (name: string, joint: 'clips' | 'laid in') =>
      takeOff({ restorationId, name, joint, way: '', springs: '' }, tick());
    const [shell, frame] = [await off('Upper shell', 'clips'), await off('Frame', 'laid in')];
    const pieces = [
      await addPiece({ restorationId, ...TRIAL_PIECE, name: 'Upper shell' }, tick()),
      await addPiece({ restorationId, ...TRIAL_PIECE, tag: 'K2', name: 'Keyboard frame' }, tick()),
    ];
    await stepIsPiece(frame.id, pieces[1]!.id, tick());
    const on = (step: RemovalStep, at = tick()) => putOn({ stepId: step.id, words: '' }, at);
    const dries = await startTimer(
      { restorationId, pieceId: pieces[1]!.id, label: 'K2 drying', atTheBell: '', minutes: 90 },
      tick(),
    );
    await expect(on(frame)).rejects.toThrow('K2 drying is not through: 1 h 30 min to go');
    await endTimer(dries.id, tick());
    await on(frame);
    const crack = await addFinding(
      { restorationId, pieceId: pieces[1]!.id, stage: 'mend', kind: 'crack', severity: 'bad', words: 'left ear' },
      tick(),
    );
    await expect(on(shell)).rejects.toThrow(
      'Still open on K2 Keyboard frame: crack, left ear. “Upper shell” would cover it',
    );
    await settleFinding(crack.id, 'done', 'putty behind', tick());
    await addTimer(
      {
        restorationId,
        pieceId: pieces[0]!.id,
        label: 'K1 planned',
        atTheBell: '',
        dueAt: inMinutes(600).toISOString(),
        plannedSchool: 'bag-sun',
        plannedTo: inMinutes(700).toISOString(),
      },
      tick(),
    );
    await on(shell);
    expect((await holdsOf(restorationId, tick())).map(({ kind }) => kind)).toEqual(['test']);
  });

  it('the test comes before the screws that close the case', async () => {
    const { id: restorationId } = await trialRestoration();
    const off = (name: string, joint: 'screws' | 'clips') =>
      takeOff({ restorationId, name, joint, way: '', springs: '' }, tick());
    const [screws, shell] = [await off('Bottom screws', 'screws'), await off('Shell', 'clips')];
    await putOn({ stepId: shell.id, words: '' }, tick());
    await expect(putOn({ stepId: screws.id, words: '' }, tick())).rejects.toThrow('The test comes before the screws');
    await keepFunctionTest(
      { restorationId, phase: 'before closing', results: RESULTS, words: {}, waivedWhy: null },
      tick(),
    );
    await putOn({ stepId: screws.id, words: '' }, tick());
  });
});

describe('a function test', () => {
  it('makes a finding of what is faulty, once, at the stage that treats it; waived, it is left on purpose', async () => {
    const { id: restorationId } = await trialRestoration();
    const keep = (results: TestResults, waivedWhy: string | null = null) =>
      keepFunctionTest({ restorationId, phase: 'before', results, words: { letters: 'lower row' }, waivedWhy }, tick());
    await keep({ ...RESULTS, letters: 'faulty', drives: 'now and then' });
    await keep({ ...RESULTS, letters: 'faulty' });
    expect(await findingsOf(restorationId)).toMatchObject([
      { kind: 'works now and then', part: 'drive', words: 'drives', settledAs: null },
      { kind: 'dead', part: 'keys', words: 'letters: lower row', settledAs: null },
    ]);
    await keep({ ...RESULTS, lamps: 'faulty' }, 'no bulb of that kind is to be had');
    expect((await findingsOf(restorationId)).at(-1)).toMatchObject({ words: 'lamps', settledAs: 'left on purpose' });
  });
});

it('of two function tests the newest is the one written last, also where the clock was set back between', async () => {
  const { id: restorationId } = await trialRestoration();
  const keep = (letters: 'faulty' | 'works', at: string) =>
    keepFunctionTest(
      { restorationId, phase: 'before', results: { ...RESULTS, letters }, words: {}, waivedWhy: null },
      new Date(at),
    );
  await keep('faulty', '2026-06-18T14:00:00Z');
  await keep('works', '2026-06-18T13:00:00Z');
  expect((await functionTestsOf(restorationId)).map(({ results }) => results.letters)).toEqual(['faulty', 'works']);
});

describe('closing the case', () => {
  it('is held until all is back, tested and dry', async () => {
    const { restorationId, steps } = await machine('lid');
    const close = () => settleStage(restorationId, 'rebuild', 'done', null, tick());
    const timer = new Date(tick().getTime() + 60 * 60_000);
    await startTimer({ restorationId, pieceId: null, label: 'hinge glue', atTheBell: '', minutes: 60 }, tick());
    await expect(close()).rejects.toThrow(/lid is not on yet.*hinge glue is not through: 60 min to go.*function test/s);
    await putOn({ stepId: steps[0]!.id, words: '' }, tick());
    await keepFunctionTest(
      { restorationId, phase: 'before closing', results: RESULTS, words: {}, waivedWhy: null },
      tick(),
    );
    await settleStage(restorationId, 'rebuild', 'done', null, new Date(timer.getTime() + 60_000));
  });

  it('does not stand in the way where no teardown was recorded', async () => {
    const { id } = await trialRestoration();
    await settleStage(id, 'rebuild', 'done', null, tick());
  });

  it('the test may be waived with a reason', async () => {
    const { restorationId, steps } = await machine('lid');
    await putOn({ stepId: steps[0]!.id, words: '' }, tick());
    await keepFunctionTest(
      { restorationId, phase: 'before closing', results: RESULTS, words: {}, waivedWhy: 'no supply at hand' },
      tick(),
    );
    await settleStage(restorationId, 'rebuild', 'done', null, tick());
    expect((await logOf(restorationId)).map(({ words }) => words)).toContain(
      'Function test before closing: nothing faulty of 12 tried. Waived: no supply at hand.',
    );
  });
});
