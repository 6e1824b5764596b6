import { scryptSync } from 'node:crypto';
import { DESK, doorState, setDoor, setPassphrase, signEveryoneOut, tryPassphrase, waitAfter } from './door';
import { logOf } from './log';
import { addRow, changeRow, findRow } from './table';
import { freshFolder, removeFolders, tick } from '@/work/trial';

beforeEach(freshFolder);
afterAll(removeFolders);

const WORDS = 'rain on a tin roof';
const NOW = new Date('2026-07-01T10:00:00Z');
const later = (seconds: number) => new Date(NOW.getTime() + 1000 * seconds);

it('does not open without a passphrase, and says why', async () => {
  await expect(setDoor(true, tick())).rejects.toThrow('Set a passphrase first');
  expect(await doorState()).toMatchObject({ hasPassphrase: false, open: false });
  await expect(tryPassphrase(WORDS, 'phone', tick())).rejects.toThrow('No passphrase is set');
});

it('keeps a salted hash and never the words, in the table or in the log', async () => {
  await setPassphrase(WORDS, null, tick());
  const [first, seal] = [(await findRow('door', 'door'))!.passphrase!, (await doorState()).seal];
  expect(first).toMatch(/^131072:8:1:[0-9a-f]{32}:[0-9a-f]{64}$/);
  await setPassphrase(WORDS, null, tick());
  // The same words under another salt, and a new seal: every device has to enter again.
  expect((await findRow('door', 'door'))!.passphrase).not.toBe(first);
  expect((await doorState()).seal).not.toBe(seal);
  expect(JSON.stringify(await logOf(null))).not.toContain('tin roof');
});

it('lets the right words in, and signs everyone out with a new seal', async () => {
  await setPassphrase(WORDS, null, tick());
  const seal = await tryPassphrase(WORDS, 'phone', tick());
  expect(seal).toBe((await doorState()).seal);
  await signEveryoneOut(tick());
  expect((await doorState()).seal).not.toBe(seal);
});

it('slows wrong tries down, more with each, and forgets them after a right one', async () => {
  await setPassphrase(WORDS, null, tick());
  for (const wait of ['', '', ' Wait 5 s'])
    await expect(tryPassphrase('guess', 'phone', NOW)).rejects.toThrow(`That is not the passphrase.${wait}`);
  await expect(tryPassphrase(WORDS, 'phone', later(4))).rejects.toThrow('Too many wrong tries. Wait 1 s');
  await expect(tryPassphrase('guess', 'phone', later(5))).rejects.toThrow('Wait 10 s before the next try');
  await tryPassphrase(WORDS, 'phone', later(16));
  await expect(tryPassphrase('guess', 'phone', later(17))).rejects.toThrow(/^That is not the passphrase\.$/);
  expect([2, 3, 4, 20].map(waitAfter)).toEqual([0, 5, 10, 900]);
});

it('many tries at once gain nothing', async () => {
  await setPassphrase(WORDS, null, tick());
  const tries = await Promise.allSettled(Array.from({ length: 12 }, () => tryPassphrase('guess', 'phone', NOW)));
  const words = tries.map((tried) => (tried as PromiseRejectedResult).reason.message as string);
  expect(words.filter((word) => word.startsWith('That is not'))).toHaveLength(3);
  expect(words.filter((word) => word.startsWith('Too many'))).toHaveLength(9);
});

it('another passphrase asks for the one before, and a wrong one counts as a try', async () => {
  await setPassphrase(WORDS, { words: 'nothing was set', from: 'phone' }, NOW);
  await expect(setPassphrase('a new one altogether', { words: 'guess', from: 'phone' }, NOW)).rejects.toMatchObject({
    field: 'before',
  });
  expect((await findRow('door_tries', 'phone'))!.failures).toBe(1);
  await setPassphrase('a new one altogether', { words: WORDS, from: 'phone' }, NOW);
  await expect(tryPassphrase(WORDS, 'phone', NOW)).rejects.toThrow('That is not the passphrase');
  await tryPassphrase('a new one altogether', 'phone', NOW);
});

it('a hash of an earlier, cheaper kind still lets in, and is raised by that', async () => {
  await setPassphrase(WORDS, null, NOW);
  const salt = Buffer.alloc(16, 7);
  const cheap = scryptSync(WORDS, salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 });
  await changeRow('door', { id: 'door' }, { passphrase: `${salt.toString('hex')}:${cheap.toString('hex')}` });
  await tryPassphrase(WORDS, 'phone', NOW);
  expect((await findRow('door', 'door'))!.passphrase).toMatch(/^131072:8:1:/);
  await tryPassphrase(WORDS, 'phone', NOW);
});

it('with the clock set back a wait is never longer than its maximum', async () => {
  await setPassphrase(WORDS, null, NOW);
  for (let i = 0; i < 3; i++) await tryPassphrase('guess', 'phone', NOW).catch(() => {});
  await expect(tryPassphrase(WORDS, 'phone', later(-86_400 * 365))).rejects.toThrow('Wait 900 s');
});

it('the waits of one device are not those of another, and the desk waits for nobody but itself', async () => {
  await setPassphrase(WORDS, null, NOW);
  for (let i = 0; i < 3; i++) await tryPassphrase('guess', 'stranger', NOW).catch(() => {});
  await expect(tryPassphrase(WORDS, 'stranger', NOW)).rejects.toThrow('Too many wrong tries');
  await tryPassphrase(WORDS, 'phone', NOW);
  await tryPassphrase(WORDS, DESK, NOW);
});

it('sixty wrong tries an hour from the network shut it out for the hour, and never the desk', async () => {
  await setPassphrase(WORDS, null, NOW);
  for (let i = 0; i < 60; i++)
    await addRow('door_tries', {
      id: `10.0.0.${i}`,
      failures: 1,
      lately: 1,
      lastAt: NOW.toISOString(),
      shutUntil: null,
    });
  await expect(tryPassphrase(WORDS, 'phone', later(60))).rejects.toThrow('Wait 3540 s');
  await tryPassphrase(WORDS, DESK, later(60));
  await tryPassphrase(WORDS, 'phone', later(3601));
});
