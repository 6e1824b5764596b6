import { keepFunctionTest } from './functionTests';
import type { Lot } from '@/core/teardown/lots';
import { logOf } from './log';
import type { LotRow, RemovalStep } from './rows';
import { settleStage } from './restorations';
import { startTimer } from './timers';
import { inTrialWorkshop, trialRestoration, tick } from './trial';
import {
  addBlock,
  addConnection,
  addLot,
  addTray,
  explainLot,
  forgetStep,
  listTrays,
  putOn,
  recount,
  removeBlock,
  takeOff,
  takeOffAgain,
  teardownOf,
  tickConnection,
  tickLot,
} from './teardown';
import { TEST_ITEMS, type TestResults } from '@/core/runsheet/functionTest';

inTrialWorkshop();

const LOT: Lot = { drive: 'cross', head: 'pan', diameterMm: 3, lengthMm: 8, shank: 'tapered', count: 4, fate: 'kept' };
const RESULTS = Object.fromEntries(TEST_ITEMS.map((item) => [item, 'works'])) as TestResults;

async function machine(...names: string[]): Promise<{ restorationId: string; steps: RemovalStep[] }> {
  const { id: restorationId } = await trialRestoration();
  const steps: RemovalStep[] = [];
  for (const name of names) steps.push(await takeOff({ restorationId, name, joint: 'screws', way: '', springs: '' }, tick()));
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
    expect((await logOf(restorationId)).slice(-2).map(({ words }) => words)).toEqual(['1. Off: Lid screws.', '2. Off: Lid.']);
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
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('“inner shield” must be on before “outer shield”');
    await putOn({ stepId: inner.id, words: '' }, tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('Still out: 2 × cross pan');
    await tickLot(lot.id, 1, 8, 0, tick());
    await expect(explainLot(lot.id, 1, '', tick())).rejects.toThrow('what became of them');
    await explainLot(lot.id, 1, 'lost, none put in', tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('Not connected yet: plug (red to the edge)');
    await tickConnection(plug.id, tick());
    await tickConnection(plug.id, tick());
    await putOn({ stepId: outer.id, words: 'tab glued' }, tick());
    await expect(putOn({ stepId: outer.id, words: '' }, tick())).rejects.toThrow('Nothing was counted twice');
    await takeOffAgain(outer.id, 'plug was reversed', tick());
    expect((await teardownOf(outer.restorationId)).connections[0]!.tickedAt).toBeNull();
    expect((await lotOf(outer)).returned).toBe(0);
  });
});

describe('closing the case', () => {
  it('is held until all is back, tested and dry', async () => {
    const { restorationId, steps } = await machine('lid');
    const close = () => settleStage(restorationId, 'rebuild', 'done', null, tick());
    const timer = new Date(tick().getTime() + 60 * 60_000);
    await startTimer({ restorationId, pieceId: null, label: 'hinge glue', atTheBell: '', minutes: 60 }, tick());
    await expect(close()).rejects.toThrow(/lid is not on yet.*hinge glue is not through: 60 min to go.*function test/s);
    await putOn({ stepId: steps[0]!.id, words: '' }, tick());
    await keepFunctionTest({ restorationId, phase: 'before closing', results: RESULTS, waivedWhy: null }, tick());
    await settleStage(restorationId, 'rebuild', 'done', null, new Date(timer.getTime() + 60_000));
  });

  it('does not stand in the way where no teardown was recorded', async () => {
    const { id } = await trialRestoration();
    await settleStage(id, 'rebuild', 'done', null, tick());
  });

  it('the test may be waived with a reason', async () => {
    const { restorationId, steps } = await machine('lid');
    await putOn({ stepId: steps[0]!.id, words: '' }, tick());
    await keepFunctionTest({ restorationId, phase: 'before closing', results: RESULTS, waivedWhy: 'no supply at hand' }, tick());
    await settleStage(restorationId, 'rebuild', 'done', null, tick());
    expect((await logOf(restorationId)).map(({ words }) => words)).toContain(
      'Function test before closing: nothing faulty. Waived: no supply at hand.',
    );
  });
});
