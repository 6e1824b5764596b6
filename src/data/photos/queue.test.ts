import { AsyncLocalStorage } from 'node:async_hooks';
import { decoding, holding } from './queue';

it.each([
  ['decoding a small picture', (work: () => Promise<void>) => decoding(1, work)],
  ['decoding a large one', (work: () => Promise<void>) => decoding(50_000_000, work)],
  ['holding pictures', holding],
])('%s runs in the transaction of whoever asked, not of who was before', async (_, inTurn) => {
  const underWay = new AsyncLocalStorage<string>();
  const seen: (string | undefined)[][] = [];
  const asks = (name: string | undefined) => async () => {
    await inTurn(async () => {
      await new Promise(setImmediate);
      seen.push([name, underWay.getStore()]);
    });
  };
  const names = ['one', 'two', 'three', 'four', 'five'];
  await Promise.all([...names.map((name) => underWay.run(name, asks(name))), underWay.exit(asks(undefined))]);
  expect(seen.map(([asked]) => asked).toSorted()).toEqual([...names, undefined].toSorted());
  expect(seen.filter(([asked, within]) => asked !== within)).toEqual([]);
});
