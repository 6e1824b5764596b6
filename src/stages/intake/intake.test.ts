import { logOf } from '@/data/log';
import { listRestorations, stagesOf } from '@/data/restorations';
import { ledgerOf } from '@/data/stagesheet';
import { inTrialWorkshop } from '@/data/trial';
import { wrongs } from '@/edge/wrongs';
import { open } from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const GIVEN = { title: 'Attic find', machine: 'home computer', source: 'flea market', pricePaid: '12.5', condition: 'yellow, one foot missing' };

it('opens with nine stages, its price and its first words', async () => {
  const opened = await open(GIVEN);
  if (!opened.ok) throw new Error(wrongs(opened));
  expect(await stagesOf(opened.value)).toHaveLength(9);
  expect(await ledgerOf(opened.value)).toMatchObject([{ kind: 'price', amountMinor: 1250 }]);
  expect((await logOf(opened.value))[0]!.words).toBe('Opened: Attic find. yellow, one foot missing');
});

it('a gift costs nothing and leaves no price', async () => {
  const opened = await open({ ...GIVEN, pricePaid: '' });
  expect(opened.ok && (await ledgerOf(opened.value))).toEqual([]);
});

it('needs a name and an honest price', async () => {
  const before = (await listRestorations()).length;
  expect(wrongs(await open({ ...GIVEN, title: '', pricePaid: '-3' }))).toMatch(/title: .*name you will know it by.*\npricePaid: /s);
  expect(await listRestorations()).toHaveLength(before);
});
