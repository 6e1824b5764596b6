import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { Refusal } from '@/core/refusal';
import { database, inTransaction } from './connection';
import { appendLog } from './log';
import type { Door } from './rows';
import { addRow, changeRow, findColumns, findRow, findRows, removeRows } from './table';

const ONLY = 'door';
/** Cost of the hash, kept beside it: some tenths of a second and 128 MB a try (OWASP, password storage, scrypt). */
const COST = { N: 2 ** 17, r: 8, p: 1 };
/** What a hash without a cost beside it was made with. */
const FIRST_COST = { ...COST, N: 2 ** 15 };
const HASH_BYTES = 32;
/** Tries that are free; after them each failure doubles the wait. */
const FREE_TRIES = 3;
const FIRST_WAIT_S = 5;
const LONGEST_WAIT_S = 15 * 60;

type Cost = typeof COST;
const scryptAsync = promisify<string, Buffer, number, Cost & { maxmem: number }, Buffer>(scrypt);
let lastHash: Promise<unknown> = Promise.resolve();
/** One at a time: many tries at once take no more memory than one. */
function slowHash(words: string, salt: Buffer, cost: Cost): Promise<Buffer> {
  const hash = lastHash.then(() =>
    scryptAsync(words, salt, HASH_BYTES, { ...cost, maxmem: 2 * 128 * cost.N * cost.r }),
  );
  lastHash = hash.catch(() => {});
  return hash;
}

/** A passphrase as it is kept: `N:r:p:salt:hash`. */
async function hashed(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  const { N, r, p } = COST;
  return [N, r, p, salt.toString('hex'), (await slowHash(passphrase, salt, COST)).toString('hex')].join(':');
}

function readKept(kept: string): { cost: Cost; salt: Buffer; hash: Buffer } {
  const parts = kept.split(':');
  const [salt, hash] = parts.slice(-2).map((part) => Buffer.from(part, 'hex')) as [Buffer, Buffer];
  const [N, r, p] = parts.slice(0, -2).map(Number);
  return { cost: N && r && p ? { N, r, p } : FIRST_COST, salt, hash };
}

const newSeal = () => randomBytes(32).toString('hex');

async function doorRow(): Promise<Door> {
  const row = await findRow('door', ONLY);
  return (
    row ?? addRow('door', { id: ONLY, passphrase: null, seal: newSeal(), open: false, failures: 0, shutUntil: null })
  );
}

/** Opens what is kept, where that is not done yet. @throws what is wrong with it */
export const opens = async (): Promise<void> => void (await database());

/** What decides whether a device is let in. */
export async function doorState(): Promise<{ hasPassphrase: boolean; open: boolean; seal: string }> {
  const known = await findRow('door', ONLY);
  const { passphrase, open, seal } = known ?? (await inTransaction(() => doorRow()));
  return { hasPassphrase: passphrase !== null, open, seal };
}

const note = (words: string, now: Date) => appendLog({ restorationId: null, stage: null, kind: 'door', words }, now);

/**
 * Sets the passphrase: salt and slow hash are kept, and every device has to enter again.
 *
 * @param before the one that holds until now, and where it is typed; not asked for where none does, or `null` is given
 * @throws Refusal (`before`) where that is not it
 */
export async function setPassphrase(
  passphrase: string,
  before: { words: string; from: string } | null,
  now: Date,
): Promise<void> {
  if (before !== null && (await doorState()).hasPassphrase) await tryWords(before.words, 'before', before.from, now);
  const kept = await hashed(passphrase);
  await inTransaction(async () => {
    await doorRow();
    await changeRow('door', { id: ONLY }, { passphrase: kept, seal: newSeal() });
    await removeRows('door_tries', {});
    await note('A passphrase for the local network was set. Every device has to enter again.', now);
  });
}

/** Lets devices of the local network in, or shuts them out at once. @throws Refusal without a passphrase */
export async function setDoor(open: boolean, now: Date): Promise<void> {
  await inTransaction(async () => {
    const door = await doorRow();
    if (open && door.passphrase === null)
      throw new Refusal(
        'open',
        'Set a passphrase first. Without one, anybody in the network could read and change everything here.',
      );
    if (door.open === open) return;
    await changeRow('door', { id: ONLY }, { open });
    await note(open ? 'Devices of the local network are let in.' : 'Devices of the local network are shut out.', now);
  });
}

/** Signs every device out. */
export async function signEveryoneOut(now: Date): Promise<void> {
  await inTransaction(async () => {
    await doorRow();
    await changeRow('door', { id: ONLY }, { seal: newSeal() });
    await note('Every device was signed out.', now);
  });
}

/** Seconds to wait after so many failures in a row. */
export const waitAfter = (failures: number): number =>
  failures < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (failures - FREE_TRIES));

/** Where somebody tries to enter from, as the server that listens says it; the desk is the machine that Kvell runs on. */
export const DESK = 'desk';

/** So many wrong tries an hour are taken from the network, whoever sends them: more is nobody's forgetting. */
const MOST_AN_HOUR = 60;
const HOUR_MS = 3_600_000;
/** So many places are remembered, those of the last tries. */
const MOST_PLACES = 300;

/** Milliseconds until another try may come from there; the desk waits for nobody but itself. */
async function waitMs(from: string, now: Date): Promise<number> {
  const tries = await findRows('door_tries');
  const since = ({ lastAt }: (typeof tries)[number]) => now.getTime() - Date.parse(lastAt);
  const own = tries.find(({ id }) => id === from);
  const ownMs = own?.shutUntil ? Math.min(Date.parse(own.shutUntil) - now.getTime(), 1000 * LONGEST_WAIT_S) : 0;
  if (from === DESK) return ownMs;
  // A clock that was set back makes no hour longer than one.
  const lately = tries.filter((one) => one.id !== DESK && Math.abs(since(one)) < HOUR_MS);
  const many = lately.reduce((sum, one) => sum + one.lately, 0) >= MOST_AN_HOUR;
  return Math.max(ownMs, many ? Math.max(...lately.map((one) => HOUR_MS - Math.abs(since(one)))) : 0);
}

/** Counts a try from there as failed. @returns seconds to wait before the next */
async function countTry(from: string, now: Date): Promise<number> {
  const known = await findRow('door_tries', from);
  const failures = (known?.failures ?? 0) + 1;
  const wait = waitAfter(failures);
  const again = known !== null && Math.abs(now.getTime() - Date.parse(known.lastAt)) < HOUR_MS;
  const row = {
    failures,
    lately: (again ? known.lately : 0) + 1,
    lastAt: now.toISOString(),
    shutUntil: wait > 0 ? new Date(now.getTime() + 1000 * wait).toISOString() : null,
  };
  if (known) await changeRow('door_tries', { id: from }, row);
  else await addRow('door_tries', { id: from, ...row });
  const old = (await findColumns('door_tries', ['id'], {}, [['lastAt', 'DESC']]))
    .slice(MOST_PLACES)
    .map(({ id }) => id);
  if (old.length > 0) await removeRows('door_tries', { id: old });
  return wait;
}

/**
 * Weighs words against the passphrase. A try counts as failed before it is weighed, so that many at once gain nothing.
 *
 * @throws Refusal where they are wrong, or too many were tried
 */
async function tryWords(words: string, field: string, from: string, now: Date): Promise<void> {
  const { kept, waitS } = await inTransaction(async () => {
    const door = await doorRow();
    if (door.passphrase === null)
      throw new Refusal(field, 'No passphrase is set. Set one at the desk, under Workshop.');
    const shutMs = await waitMs(from, now);
    if (shutMs > 0)
      throw new Refusal(field, `Too many wrong tries. Wait ${Math.ceil(shutMs / 1000)} s, then try again.`);
    return { kept: door.passphrase, waitS: await countTry(from, now) };
  });
  const { cost, salt, hash } = readKept(kept);
  if (!timingSafeEqual(hash, await slowHash(words, salt, cost)))
    throw new Refusal(field, `That is not the passphrase.${waitS > 0 ? ` Wait ${waitS} s before the next try.` : ''}`);
  // What was hashed more cheaply is hashed anew, now that the words are known.
  const dearer = cost.N < COST.N ? { passphrase: await hashed(words) } : null;
  await inTransaction(async () => {
    if (dearer) await changeRow('door', { id: ONLY, passphrase: kept }, dearer);
    await removeRows('door_tries', { id: from });
  });
}

/**
 * Lets a device in that knows the passphrase.
 *
 * @param from where it is, by its address
 * @returns what the cookie is sealed with
 * @throws Refusal where it is wrong, or too many were tried
 */
export async function tryPassphrase(passphrase: string, from: string, now: Date): Promise<string> {
  await tryWords(passphrase, 'passphrase', from, now);
  await inTransaction(() => note('A device entered.', now));
  return (await doorState()).seal;
}
