import { doorState, setDoor, setPassphrase, signEveryoneOut, tryPassphrase, waitAfter } from './door';
import { logOf } from './log';
import { findRow } from './table';
import { freshFolder, removeFolders, tick } from './trial';

beforeEach(freshFolder);
afterAll(removeFolders);

const WORDS = 'rain on a tin roof';
const NOW = new Date('2026-07-01T10:00:00Z');
const later = (seconds: number) => new Date(NOW.getTime() + 1000 * seconds);

it('does not open without a passphrase, and says why', async () => {
  await expect(setDoor(true, tick())).rejects.toThrow('Set a passphrase first');
  expect(await doorState()).toMatchObject({ hasPassphrase: false, open: false });
  await expect(tryPassphrase(WORDS, tick())).rejects.toThrow('No passphrase is set');
});

it('keeps a salted hash and never the words, in the table or in the log', async () => {
  await setPassphrase(WORDS, tick());
  const [first, seal] = [(await findRow('door', 'door'))!.passphrase!, (await doorState()).seal];
  expect(first).toMatch(/^[0-9a-f]{32}:[0-9a-f]{64}$/);
  await setPassphrase(WORDS, tick());
  // The same words under another salt, and a new seal: every device has to enter again.
  expect((await findRow('door', 'door'))!.passphrase).not.toBe(first);
  expect((await doorState()).seal).not.toBe(seal);
  expect(JSON.stringify(await logOf(null))).not.toContain('tin roof');
});

it('lets the right words in, and signs everyone out with a new seal', async () => {
  await setPassphrase(WORDS, tick());
  const seal = await tryPassphrase(WORDS, tick());
  expect(seal).toBe((await doorState()).seal);
  await signEveryoneOut(tick());
  expect((await doorState()).seal).not.toBe(seal);
});

it('slows wrong tries down, more with each, and forgets them after a right one', async () => {
  await setPassphrase(WORDS, tick());
  for (const wait of ['', '', ' Wait 5 s']) await expect(tryPassphrase('guess', NOW)).rejects.toThrow(`That is not the passphrase.${wait}`);
  await expect(tryPassphrase(WORDS, later(4))).rejects.toThrow('Too many wrong tries. Wait 1 s');
  await expect(tryPassphrase('guess', later(5))).rejects.toThrow('Wait 10 s before the next try');
  await tryPassphrase(WORDS, later(16));
  await expect(tryPassphrase('guess', later(17))).rejects.toThrow(/^That is not the passphrase\.$/);
  expect([2, 3, 4, 20].map(waitAfter)).toEqual([0, 5, 10, 900]);
});

it('many tries at once gain nothing', async () => {
  await setPassphrase(WORDS, tick());
  const tries = await Promise.allSettled(Array.from({ length: 12 }, () => tryPassphrase('guess', NOW)));
  const words = tries.map((tried) => (tried as PromiseRejectedResult).reason.message as string);
  expect(words.filter((word) => word.startsWith('That is not'))).toHaveLength(3);
  expect(words.filter((word) => word.startsWith('Too many'))).toHaveLength(9);
});
