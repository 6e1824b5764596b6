import { functionTestsOf } from '@/data/functionTests';
import { TEST_ITEMS } from '@/core/runsheet/functionTest';
import { teardownOf } from '@/data/teardown';
import { addBlock, addConnection, addLot, takeOff } from '@/work/teardown';
import { holdsOf } from '@/work/rebuild/rules';
import { inTrialWorkshop, tick as later, trialRestoration } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import {
  tickJoined,
  explainMissingOnes,
  takeStepOffAgain,
  putStepOn,
  addFunctionTest as keepTest,
  tickFasteners,
} from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const LOT = {
  thing: 'screw',
  drive: 'cross',
  head: 'pan',
  diameterMm: 3,
  lengthMm: 10,
  shank: 'tapered',
  count: 3,
  fate: 'kept',
} as const;

async function lidAndShield() {
  const { id: restorationId } = await trialRestoration();
  const step = (name: string) => takeOff({ restorationId, name, joint: 'screws', way: '', springs: '' }, later());
  const [lid, shield] = [await step('Lid'), await step('Inner shield')];
  const lot = await addLot(lid.id, LOT, null, later());
  const plug = await addConnection({ stepId: lid.id, kind: 'plug', way: 'red left' }, later());
  await addBlock(shield.id, lid.id, '', later());
  return { restorationId, lid, shield, lot, plug };
}
const lotOf = async (restorationId: string) => (await teardownOf(restorationId)).lots[0]!;
const held = async (restorationId: string) => (await holdsOf(restorationId, later())).map(({ kind }) => kind);
const results = (state: string) => Object.fromEntries(TEST_ITEMS.map((item) => [item, state]));

it('goes from everything off to nothing held, one thing at a time', async () => {
  const { restorationId, lid, shield, lot, plug } = await lidAndShield();
  expect(await held(restorationId)).toEqual(['step', 'step', 'lot', 'connection', 'test']);
  expect(wrongs(await putStepOn({ stepId: lid.id }))).toMatch(/“Inner shield” must be on before “Lid”/);
  expect(wrongs(await putStepOn({ stepId: shield.id }))).toBe('');
  expect(wrongs(await tickFasteners({ lotId: lot.id, count: '2', lengthMm: '10', expected: '0' }))).toBe('');
  expect(await held(restorationId)).toEqual(['step', 'lot', 'connection', 'test']);
  expect(wrongs(await explainMissingOnes({ lotId: lot.id, count: '1', words: 'lost under the bench' }))).toBe('');
  expect(wrongs(await tickJoined(plug.id))).toBe('');
  expect(wrongs(await putStepOn({ stepId: lid.id, words: 'one screw fewer' }))).toBe('');
  expect(await held(restorationId)).toEqual(['test']);
  expect(wrongs(await keepTest({ restorationId, phase: 'before closing', results: results('works') }))).toBe('');
  expect(await held(restorationId)).toEqual([]);
});

it('a screw from another hole is refused with the reason, and the count stands', async () => {
  const { restorationId, lot } = await lidAndShield();
  expect(wrongs(await tickFasteners({ lotId: lot.id, count: '3', lengthMm: '26', expected: '0' }))).toMatch(
    /lengthMm: 26 mm is too long for this hole: at most 10 mm/,
  );
  expect(wrongs(await tickFasteners({ lotId: lot.id, count: '4', lengthMm: '10', expected: '0' }))).toMatch(
    /count: Only 3 of this lot are still out/,
  );
  expect(wrongs(await tickFasteners({ lotId: lot.id, count: '0', lengthMm: '-1', expected: '0' }))).toMatch(
    /count: .*lengthMm: /s,
  );
  expect(await lotOf(restorationId)).toMatchObject({ returned: 0, missing: 0 });
});

it('a second screen that ticks the same screws is told so, and nothing is counted twice', async () => {
  const { restorationId, lot, shield } = await lidAndShield();
  const same = { lotId: lot.id, count: '3', lengthMm: '10', expected: '0' };
  const both = await Promise.all([tickFasteners(same), tickFasteners(same)]);
  expect(both.map(wrongs).sort()[1]).toMatch(/ticked meanwhile on another screen: 3 of 3/);
  expect((await lotOf(restorationId)).returned).toBe(3);
  const steps = await Promise.all([putStepOn({ stepId: shield.id }), putStepOn({ stepId: shield.id })]);
  expect(steps.map(wrongs).sort()[1]).toMatch(/is on already/);
});

it('what comes off once more is out again', async () => {
  const { restorationId, shield } = await lidAndShield();
  expect(wrongs(await takeStepOffAgain({ stepId: shield.id }))).toMatch(/is off already/);
  await putStepOn({ stepId: shield.id });
  expect(wrongs(await takeStepOffAgain({ stepId: shield.id, words: 'forgot the sheet' }))).toBe('');
  expect(await held(restorationId)).toContain('step');
});

it('a function test names every item; a waived one carries its reason', async () => {
  const { restorationId } = await lidAndShield();
  expect(
    wrongs(await keepTest({ restorationId, phase: 'someday', results: { ...results('works'), keys: 'sticky' } })),
  ).toMatch(/phase: .*results\.keys: /s);
  expect(
    wrongs(
      await keepTest({ restorationId, phase: 'before closing', results: results('not tried'), waivedWhy: 'no supply' }),
    ),
  ).toBe('');
  expect(await functionTestsOf(restorationId)).toMatchObject([{ phase: 'before closing', waivedWhy: 'no supply' }]);
  expect(await held(restorationId)).not.toContain('test');
});
