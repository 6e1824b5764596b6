import { keepBundle } from './bringIn';
import { gatherBundle } from '@/data/bundle';
import { useFromStores } from './ledger';
import { ledgerOf } from '@/data/ledger';
import { logOf } from '@/data/log';
import type { StockItem } from '@/data/rows';
import { addStock, addStrength, countStock } from './stock';
import { findStock, listStock } from '@/data/stock';
import { freshFolder, inTrialWorkshop, TRIAL_EXPOSURE, TRIAL_WORKSHOP, trialPiece, tick } from './trial';
import { startExposure } from './brighten/begin';
import { sessionsOf } from '@/data/treatments';
import { saveWorkshop } from './workshop';

inTrialWorkshop();

const bottle = (rest: Partial<StockItem> = {}): Promise<StockItem> =>
  addStock(
    {
      name: 'Peroxide 12 %',
      kind: 'peroxide liquid',
      strengthValue: 12,
      strengthUnit: 'percentWW',
      sizeMl: 1000,
      priceMinor: 1000,
      words: '',
      ...rest,
    },
    tick(),
  );
const left = async ({ id }: StockItem) => (await findStock(id))!.left;
const materials = async (restorationId: string) =>
  (await ledgerOf(restorationId)).filter(({ kind }) => kind === 'material');
const taking = (amount: number) => ({ amount, unit: 'mL' as const, otherwise: 'peroxide' });

it('an exposure takes its share out of the bottle and puts it into the ledger, both or neither', async () => {
  const stock = await bottle();
  const piece = await trialPiece();
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id], stockId: stock.id, takes: taking(340) }, tick());
  expect(await left(stock)).toBe(660);
  expect(await materials(piece.restorationId)).toMatchObject([
    { kind: 'material', stage: 'brighten', words: 'Peroxide 12 %, 340 mL', amountMinor: 340 },
  ]);
  // The piece is in the light already: nothing starts, so nothing is taken.
  await expect(
    startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id], stockId: stock.id, takes: taking(340) }, tick()),
  ).rejects.toThrow('already');
  expect([
    await left(stock),
    (await materials(piece.restorationId)).length,
    (await sessionsOf(piece.restorationId)).length,
  ]).toEqual([660, 1, 1]);
});

it('what stands already takes nothing; what is no bottle of the stores costs nothing here', async () => {
  const stock = await bottle();
  const [standing, elsewhere] = [await trialPiece(), await trialPiece()];
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [standing.id], stockId: stock.id, takes: null }, tick());
  expect([await left(stock), await materials(standing.restorationId)]).toEqual([1000, []]);
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [elsewhere.id], takes: taking(200) }, tick());
  expect(await materials(elsewhere.restorationId)).toMatchObject([{ words: 'peroxide, 200 mL', amountMinor: 0 }]);
});

it('more than the record knows may be poured; a count puts it right', async () => {
  const stock = await bottle();
  const piece = await trialPiece();
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id], stockId: stock.id, takes: taking(1200) }, tick());
  expect(await left(stock)).toBe(0);
  await countStock(stock.id, 250, tick());
  expect(await left(stock)).toBe(250);
  expect((await listStock()).find(({ id }) => id === stock.id)).toMatchObject({ left: 250 });
  await countStock(stock.id, 0, tick());
  const words = (await logOf(null)).map((entry) => entry.words);
  expect(words).toEqual(expect.arrayContaining(['Left in Peroxide 12 %: 250 mL.', 'Empty: Peroxide 12 %.']));
});

it('more than is left is not used at the sink; powder is weighed', async () => {
  const { restorationId } = await trialPiece();
  const powder = await bottle({ name: 'Oxygen powder', kind: 'oxygen-bleach powder', sizeMl: 500, priceMinor: null });
  await useFromStores({ restorationId, stage: 'wash', stockId: powder.id, amount: 450 }, tick());
  await expect(useFromStores({ restorationId, stage: 'wash', stockId: powder.id, amount: 60 }, tick())).rejects.toThrow(
    '“Oxygen powder” has 50 g left by the record',
  );
  expect(await left(powder)).toBe(50);
  const unknown = await bottle({ sizeMl: null });
  await useFromStores({ restorationId, stage: 'wash', stockId: unknown.id, amount: 60 }, tick());
  expect(await left(unknown)).toBeNull();
});

it('a bottle that comes along with an import does not stand on this shelf', async () => {
  const stock = await bottle();
  const piece = await trialPiece();
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id], stockId: stock.id, takes: taking(100) }, tick());
  const bundle = (await gatherBundle(piece.restorationId))!;
  await freshFolder();
  await saveWorkshop(TRIAL_WORKSHOP, tick());
  await keepBundle(bundle, tick());
  expect(await listStock()).toMatchObject([{ id: stock.id, sizeMl: 1000, left: 0 }]);
});

it('the newest test of a bottle is what it counts with', async () => {
  const stock = await bottle();
  await addStrength(stock.id, { percentWW: 11, how: 'age' }, new Date('2026-05-01T10:00:00Z'));
  await addStrength(stock.id, { percentWW: 10.2, how: 'gas' }, new Date('2026-06-01T10:00:00Z'));
  expect((await findStock(stock.id))!.tested).toMatchObject({
    percentWW: 10.2,
    how: 'gas',
    at: '2026-06-01T10:00:00.000Z',
  });
  expect((await listStock()).find(({ id }) => id === stock.id)!.tested).toMatchObject({ percentWW: 10.2 });
  expect((await logOf(null)).map((entry) => entry.words)).toContain(
    'Peroxide 12 %: 10.2 % by weight, by the gas of a sample.',
  );
});

it('the strength that counts is the one tested last, also where the clock was set back since', async () => {
  const { id } = await bottle();
  await addStrength(id, { percentWW: 11, how: 'gas' }, new Date('2026-06-18T14:00:00Z'));
  await addStrength(id, { percentWW: 9, how: 'gas' }, new Date('2026-06-18T13:00:00Z'));
  expect((await findStock(id))!.tested!.percentWW).toBe(9);
  expect((await listStock()).find((item) => item.id === id)!.tested!.percentWW).toBe(9);
});
