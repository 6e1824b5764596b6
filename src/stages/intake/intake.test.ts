import { stagesOf } from '@/data/stages';
import { logOf } from '@/data/log';
import { listRestorations } from '@/data/restorations';
import { ledgerOf } from '@/data/ledger';
import { inTrialWorkshop } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import { powerDecided } from '@/data/firstPower';
import { factsTyped, typedFacts } from './powerTyped';
import { functionTestsOf } from '@/data/functionTests';
import { findRestoration } from '@/data/restorations';
import { TEST_ITEMS } from '@/core/runsheet/functionTest';
import { correctMachine, decidePower, openMachine, addFunctionTest as keepTest } from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const GIVEN = {
  title: 'Attic find',
  machine: 'home computer',
  source: 'flea market',
  pricePaid: '12.5',
  condition: 'yellow, one foot missing',
};

it('opens with nine stages, its price and its first words', async () => {
  const opened = await openMachine(GIVEN);
  if (!opened.ok) throw new Error(wrongs(opened));
  expect(await stagesOf(opened.value)).toHaveLength(9);
  expect(await ledgerOf(opened.value)).toMatchObject([{ kind: 'price', amountMinor: 1250 }]);
  expect((await logOf(opened.value))[0]!.words).toBe('Opened: Attic find. yellow, one foot missing');
});

it('a gift costs nothing and leaves no price', async () => {
  const opened = await openMachine({ ...GIVEN, pricePaid: '' });
  expect(opened.ok && (await ledgerOf(opened.value))).toEqual([]);
});

it('needs a name and an honest price', async () => {
  const before = (await listRestorations()).length;
  expect(wrongs(await openMachine({ ...GIVEN, title: '', pricePaid: '-3' }))).toMatch(
    /title: .*name you will know it by.*\npricePaid: /s,
  );
  expect(await listRestorations()).toHaveLength(before);
});

describe('first power', () => {
  const FACTS = {
    lastRun: 'not known',
    longStored: 'no',
    supply: 'outside supply',
    labelVolts: '9',
    labelPolarity: 'centre negative',
    atHandVolts: '12',
    atHandPolarity: 'centre negative',
    leaked: 'no',
    burntSmell: 'no',
    batteryLeaked: 'no',
    tubeInside: 'no',
    supplyChecked: 'no',
  };

  it('is decided from what is known, written into the log, and decided anew when more is known', async () => {
    const opened = await openMachine(GIVEN);
    const restorationId = opened.ok ? opened.value : '';
    const decided = async () => (await powerDecided([restorationId])).get(restorationId) ?? null;
    expect(await decided()).toBeNull();
    expect(wrongs(await decidePower({ restorationId, ...FACTS }))).toBe('');
    expect((await logOf(restorationId)).at(-1)!.words).toMatch(
      /^First power: do not switch on\. The label asks for 9 V/,
    );
    expect(await decided()).toMatchObject({ decision: 'do not switch on' });
    expect(wrongs(await decidePower({ restorationId, ...FACTS, atHandVolts: '9' }))).toBe('');
    expect((await logOf(restorationId)).at(-1)!.words).toMatch(/^First power: brief test/);
    expect(await decided()).toMatchObject({
      decision: 'brief test',
      facts: { atHandVolts: [{ pin: '', volts: 9 }], leaked: false },
    });
  });

  it('the form and the facts say the same, both ways', async () => {
    const facts = factsTyped({ ...FACTS, atHandVolts: '' })!;
    expect(facts).toMatchObject({ labelVolts: [{ pin: '', volts: 9 }], atHandVolts: [], leaked: false });
    const several = { ...FACTS, labelVolts: '1: 5; 2: 12; 3: −12', atHandVolts: '' };
    expect(typedFacts(factsTyped(several)!)).toEqual(several);
    expect(typedFacts(facts)).toEqual({ ...FACTS, atHandVolts: '' });
    expect(factsTyped({ ...FACTS, labelVolts: 'nine' })).toBeNull();
    expect(factsTyped({ ...FACTS, labelVolts: '0' })).toBeNull();
  });

  it('refuses what is no answer', async () => {
    expect(
      wrongs(
        await decidePower({ restorationId: 'x', ...FACTS, labelVolts: 'nine', leaked: 'perhaps', supply: 'steam' }),
      ),
    ).toMatch(/supply: .*labelVolts: .*leaked: /s);
    expect(wrongs(await decidePower({ restorationId: 'nobody', ...FACTS }))).toMatch(/restoration is not here/);
  });
});

it('keeps what was claimed and how it was packed, and lets it be corrected', async () => {
  const opened = await openMachine({ ...GIVEN, claim: 'untested', packing: 'loose in a box' });
  const restorationId = opened.ok ? opened.value : '';
  expect(await findRestoration(restorationId)).toMatchObject({
    claim: 'untested',
    packing: 'loose in a box',
    aim: 'presentable',
    owner: '',
  });
  const known = { title: GIVEN.title, machine: GIVEN.machine, source: GIVEN.source, condition: GIVEN.condition };
  expect(wrongs(await correctMachine({ restorationId, ...known, claim: 'said to be faulty' }))).toBe('');
  expect(await findRestoration(restorationId)).toMatchObject({ claim: 'said to be faulty', packing: '' });
  expect(wrongs(await correctMachine({ restorationId, ...known, title: '' }))).toMatch(/title: /);
});

it('a function test before the work is kept with each key group', async () => {
  const opened = await openMachine(GIVEN);
  const restorationId = opened.ok ? opened.value : '';
  const results = Object.fromEntries(TEST_ITEMS.map((item) => [item, 'works']));
  expect(
    wrongs(await keepTest({ restorationId, phase: 'before', results: { ...results, 'number pad': 'faulty' } })),
  ).toBe('');
  expect(await functionTestsOf(restorationId)).toMatchObject([
    { phase: 'before', results: { letters: 'works', 'number pad': 'faulty' } },
  ]);
  expect((await logOf(restorationId)).at(-2)).toMatchObject({
    stage: 'intake',
    words: 'Function test before: faulty: number pad.',
  });
  expect((await logOf(restorationId)).at(-1)!.words).toBe('Found: dead, plain. number pad');
});
