import { listStock } from '@/data/stock';
import { inTrialWorkshop } from '@/data/trial';
import { wrongs } from '@/edge/wrongs';
import { listAgentsOff, listOwnVerdicts } from '@/data/wash';
import { forbid, haveAgent, putIntoStores } from './actions';

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
  expect(await listStock()).toMatchObject([{ strengthValue: 40, strengthUnit: 'volumes', sizeMl: 900, priceMinor: 790 }]);
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

it('takes what is no peroxide without a strength', async () => {
  const [kind] = (await import('./kinds')).STOCK_KINDS.filter((name) => !name.startsWith('peroxide'));
  expect(wrongs(await putIntoStores({ ...BOTTLE, name: 'Film', kind: kind!, strengthValue: '' }))).toBe('');
});

describe('cleaning agents', () => {
  it('are switched off and on, and forbidden on a surface with a reason', async () => {
    expect(wrongs(await haveAgent('vinegar', false))).toBe('');
    expect((await listAgentsOff()).map(({ id }) => id)).toEqual(['vinegar']);
    expect(wrongs(await haveAgent('vinegar', true))).toBe('');
    expect(await listAgentsOff()).toEqual([]);
    expect(wrongs(await forbid({ agent: 'isopropyl', surface: 'abs-textured', verdict: 'never', reason: 'dulled ours' }))).toBe('');
    expect(await listOwnVerdicts()).toMatchObject([{ agent: 'isopropyl', verdict: 'never', reason: 'dulled ours' }]);
  });

  it('a verdict that loosens, or gives no reason, is refused', async () => {
    expect(wrongs(await haveAgent('holy water', true))).toMatch(/agent: /);
    expect(wrongs(await forbid({ agent: 'acetone', surface: 'cheese', verdict: 'fine', reason: '' }))).toMatch(
      /surface: .*verdict: .*reason: Say why/s,
    );
  });
});
