import { AsyncResource } from 'node:async_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { inTrialWorkshop, trialRestoration } from '@/work/trial';
import { atOneInstant, whileClosed } from './connection';
import { changeRow, countRows, findRows, select } from './table';

inTrialWorkshop();

/** Keeps the database busy for about half a second. */
const LONG =
  'WITH RECURSIVE numbers(n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM numbers WHERE n < 2000000) SELECT COUNT(*) AS rows FROM numbers';
/** Turns of others that come meanwhile; were they held up, one or two. */
const TURNS = 20;

it('whoever asks while a long query is being answered holds up nobody else', async () => {
  await findRows('people');
  let isOver = false;
  const long = select<{ rows: number }>(LONG).finally(() => (isOver = true));
  // It is on its way in a thread of its own.
  await pause(20);
  const asked = findRows('people');
  let turns = 0;
  while (!isOver) {
    await pause(1);
    turns += 1;
  }
  expect(await long).toEqual([{ rows: 2_000_000 }]);
  expect(await asked).toEqual([]);
  expect(turns).toBeGreaterThan(TURNS);
});

describe('what reads much, in a connection of its own', () => {
  it('sees what was there at its beginning, while others go on changing it', async () => {
    const before = await countRows('restorations');
    const other = new AsyncResource('another request');
    const [within, seen] = await atOneInstant(async () => {
      const first = await countRows('restorations');
      await other.runInAsyncScope(() => trialRestoration());
      return [first, await countRows('restorations')];
    });
    expect([within, seen]).toEqual([before, before]);
    expect(await countRows('restorations')).toBe(before + 1);
  });

  it('can change nothing', async () => {
    const { id } = await trialRestoration();
    await expect(atOneInstant(() => changeRow('restorations', { id }, { title: 'Other' }))).rejects.toThrow('readonly');
    expect((await findRows('restorations', { id }))[0]!.title).not.toBe('Other');
  });

  it('is waited for before another file is put in the place of the one it reads', async () => {
    const told: string[] = [];
    const read = atOneInstant(async () => {
      await pause(600);
      await countRows('people');
      told.push('read');
    });
    await pause(50);
    await whileClosed(() => Promise.resolve(void told.push('changed')));
    await read;
    expect(told).toEqual(['read', 'changed']);
  });
});
