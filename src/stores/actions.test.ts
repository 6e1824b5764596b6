import { STOCK_KINDS } from '@/core/ledger/left';
import { listStock } from '@/data/stock';
import { inTrialWorkshop } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import { ownKnowledge } from '@/data/cleaning';
import { countLeft, addVerdict, setAgentHere, addAgent, addSurface, putIntoStores, testStrength } from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const BOTTLE = {
  name: 'Developer cream',
  kind: 'peroxide cream',
  strengthValue: '40',
  strengthUnit: 'volumes',
  sizeMl: '900',
  price: '7.90',
  words: '',
};

it('takes a bottle by its label, in the workshop’s money', async () => {
  expect(wrongs(await putIntoStores(BOTTLE))).toBe('');
  expect(await listStock()).toMatchObject([
    { strengthValue: 40, strengthUnit: 'volumes', sizeMl: 900, priceMinor: 790 },
  ]);
});

it.each([
  ['no strength', { strengthValue: '' }, /strengthValue: .*label/],
  ['no name', { name: ' ' }, /name: .*label/],
  ['stronger than can be worked with', { strengthValue: '60', strengthUnit: 'percentWW' }, /50/],
  ['a negative content', { sizeMl: '-1' }, /sizeMl: /],
  ['a price in words', { price: 'cheap' }, /price: /],
])('refuses %s and says what is right', async (_, wrong, message) => {
  const before = (await listStock()).length;
  expect(wrongs(await putIntoStores({ ...BOTTLE, ...wrong }))).toMatch(message);
  expect(await listStock()).toHaveLength(before);
});

it('is told what is left in a bottle, and asks again where that is no number', async () => {
  const { id: stockId } = (await listStock())[0]!;
  expect(wrongs(await countLeft({ stockId, found: '300' }))).toBe('');
  expect((await listStock())[0]).toMatchObject({ left: 300 });
  expect(wrongs(await countLeft({ stockId, found: 'half' }))).toContain('found: Give how much is left as a number');
  expect(wrongs(await countLeft({ stockId, found: '-5' }))).toContain('found: ');
  expect(wrongs(await countLeft({ stockId: 'gone', found: '5' }))).toContain('This bottle is not here any more');
  expect((await listStock())[0]).toMatchObject({ left: 300 });
});

describe('how strong a bottle still is', () => {
  /** As its form sends it: with the fields of every way. */
  const FORM = {
    how: 'gas',
    sampleMl: '5',
    gasMl: '',
    gasC: '20',
    pressureHPa: '1013.25',
    months: '',
    openMonths: '',
    storageC: '20',
    percentWW: '',
  };
  const test = async (rest: Record<string, string>) =>
    testStrength({ ...FORM, stockId: (await listStock())[0]!.id, ...rest });
  const counts = async () => (await listStock())[0]!.tested;

  it('is measured by gas, estimated by age, or known from another test; the newest counts', async () => {
    expect(await counts()).toBeNull();
    // 12 % w/w at 1.0425 kg/L gives 44 mL of oxygen a millilitre at 20 °C; this is about ten parts of eleven of the label.
    expect(wrongs(await test({ gasMl: '200' }))).toBe('');
    expect((await counts())!.percentWW).toBeCloseTo(10.8, 0);
    expect(wrongs(await test({ how: 'age', months: '24', openMonths: '12', storageC: '20' }))).toBe('');
    expect(await counts()).toMatchObject({
      how: 'age',
      percentWW: expect.closeTo(11.66 * Math.exp(-0.17), 1) as number,
    });
    expect(wrongs(await test({ how: 'other', percentWW: '9' }))).toBe('');
    expect(await counts()).toMatchObject({ how: 'other', percentWW: 9 });
  });

  it.each([
    [{ gasMl: '400' }, /gasMl: That is .* more than the 11\.7 % of its label/],
    [{ gasMl: '' }, /gasMl: /],
    [{ how: 'age', months: '2', openMonths: '3', storageC: '20' }, /openMonths: It cannot have been open/],
    [{ how: 'other', percentWW: '30' }, /percentWW: That is 30\.0 %/],
    [{ how: 'taste' }, /how: /],
    [{ stockId: 'gone', gasMl: '200' }, /stockId: This bottle is gone/],
  ])('%j is refused, and nothing is changed', async (rest, words) => {
    expect(wrongs(await test(rest as Record<string, string>))).toMatch(words);
    expect(await counts()).toMatchObject({ percentWW: 9 });
  });
});

it('takes what is no peroxide without a strength', async () => {
  const [kind] = STOCK_KINDS.filter((name) => !name.startsWith('peroxide'));
  expect(wrongs(await putIntoStores({ ...BOTTLE, name: 'Film', kind: kind!, strengthValue: '' }))).toBe('');
});

describe('cleaning agents', () => {
  it('are switched off and on, and forbidden on a surface with a reason', async () => {
    expect(wrongs(await setAgentHere('vinegar', false))).toBe('');
    expect((await ownKnowledge()).off).toEqual(['vinegar']);
    expect(wrongs(await setAgentHere('vinegar', true))).toBe('');
    expect((await ownKnowledge()).off).toEqual([]);
    expect(
      wrongs(
        await addVerdict({ agent: 'isopropyl', surface: 'abs-textured', verdict: 'never', reason: 'dulled ours' }),
      ),
    ).toBe('');
    expect((await ownKnowledge()).verdicts).toMatchObject([
      { agent: 'isopropyl', verdict: 'never', reason: 'dulled ours' },
    ]);
  });

  it('a verdict that loosens, or gives no reason, is refused', async () => {
    expect(wrongs(await setAgentHere('holy water', true))).toMatch(/agent: /);
    expect(wrongs(await addVerdict({ agent: 'acetone', surface: 'cheese', verdict: 'fine', reason: '' }))).toMatch(
      /surface: .*verdict: .*reason: Say why/s,
    );
  });

  const OWN = {
    title: 'Lens wipe',
    does: '',
    roughness: '3',
    wet: 'damp',
    leaves: 'alcohol',
    dwellMin: '1',
    handsMin: '2',
    litre: '',
    bathC: '',
    rinse: '',
    protection: 'none',
    often: 'mostly',
    families: ['alcoholMild', 'damp'],
    soils: ['hand-grease'],
  };

  it('are added with what they are made of; a surface with what it is like', async () => {
    expect(wrongs(await addAgent(OWN))).toBe('');
    expect(wrongs(await addSurface({ title: 'Soft-touch coat', like: 'painted-plastic' }))).toBe('');
    const { agents, surfaces } = await ownKnowledge();
    expect(agents).toMatchObject([
      { title: 'Lens wipe', takes: { 'hand-grease': 0.8 }, perLitre: null, families: ['alcoholMild', 'damp'] },
    ]);
    expect(surfaces).toMatchObject([{ title: 'Soft-touch coat', like: 'painted-plastic' }]);
    expect(
      wrongs(await addVerdict({ agent: agents[0]!.id, surface: surfaces[0]!.id, verdict: 'never', reason: 'peels' })),
    ).toBe('');
  });

  it.each([
    ['nothing that it is made of', { families: [] }, /families: Tick what it is made of/],
    ['nothing that it takes off', { soils: [] }, /soils: Tick at least one/],
    ['an ingredient that is none', { families: ['magic'] }, /families/],
    ['no protection', { protection: ' ' }, /protection: Copy from its sheet/],
    ['too gentle a roughness', { roughness: '0' }, /roughness: .*at least 3/],
    ['a bath that bends plastic', { bathC: '70' }, /bathC: /],
  ])('with %s are refused, and nothing is kept', async (_, wrong, message) => {
    const before = (await ownKnowledge()).agents.length;
    expect(wrongs(await addAgent({ ...OWN, title: 'Screen wipe', ...wrong }))).toMatch(message);
    expect((await ownKnowledge()).agents).toHaveLength(before);
  });
});
