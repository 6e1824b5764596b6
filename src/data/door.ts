import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Door } from './rows';
import { addRow, changeRow, findRow } from './table';

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
  const hash = lastHash.then(() => scryptAsync(words, salt, HASH_BYTES, { ...cost, maxmem: 2 * 128 * cost.N * cost.r }));
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
  return row ?? addRow('door', { id: ONLY, passphrase: null, seal: newSeal(), open: false, failures: 0, shutUntil: null });
}

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
 * @param before the one that holds until now; not asked for where none does, or `null` is given
 * @throws Refusal (`before`) where that is not it
 */
export async function setPassphrase(passphrase: string, before: string | null, now: Date): Promise<void> {
  if (before !== null && (await doorState()).hasPassphrase) await tryWords(before, 'before', now);
  const kept = await hashed(passphrase);
  await inTransaction(async () => {
    await doorRow();
    await changeRow('door', { id: ONLY }, { passphrase: kept, seal: newSeal(), failures: 0, shutUntil: null });
    await note('A passphrase for the local network was set. Every device has to enter anew.', now);
  });
}

/** Lets devices of the local network in, or shuts them out at once. @throws Refusal without a passphrase */
export async function setDoor(open: boolean, now: Date): Promise<void> {
  await inTransaction(async () => {
    const door = await doorRow();
    if (open && door.passphrase === null)
      throw new Refusal('open', 'Set a passphrase first. Without one, anybody in the network could read and change everything here.');
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

/**
 * Weighs words against the passphrase. A try counts as failed before it is weighed, so that many at once gain nothing.
 *
 * @throws Refusal where they are wrong, or too many were tried
 */
async function tryWords(words: string, field: string, now: Date): Promise<void> {
  const { kept, waitS } = await inTransaction(async () => {
    const door = await doorRow();
    if (door.passphrase === null) throw new Refusal(field, 'No passphrase is set. Set one at the desk, under Workshop.');
    const shutMs = door.shutUntil === null ? 0 : Math.min(Date.parse(door.shutUntil) - now.getTime(), 1000 * LONGEST_WAIT_S);
    if (shutMs > 0) throw new Refusal(field, `Too many wrong tries. Wait ${Math.ceil(shutMs / 1000)} s, then try again.`);
    const failures = door.failures + 1;
    const wait = waitAfter(failures);
    await changeRow('door', { id: ONLY }, { failures, shutUntil: wait > 0 ? new Date(now.getTime() + 1000 * wait).toISOString() : null });
    return { kept: door.passphrase, waitS: wait };
  });
  const { cost, salt, hash } = readKept(kept);
  if (!timingSafeEqual(hash, await slowHash(words, salt, cost)))
    throw new Refusal(field, `That is not the passphrase.${waitS > 0 ? ` Wait ${waitS} s before the next try.` : ''}`);
  // What was hashed more cheaply is hashed anew, now that the words are known.
  const dearer = cost.N < COST.N ? { passphrase: await hashed(words) } : {};
  await inTransaction(() => changeRow('door', { id: ONLY, passphrase: kept }, { failures: 0, shutUntil: null, ...dearer }));
}

/**
 * Lets a device in that knows the passphrase.
 *
 * @returns what the cookie is sealed with
 * @throws Refusal where it is wrong, or too many were tried
 */
export async function tryPassphrase(passphrase: string, now: Date): Promise<string> {
  await tryWords(passphrase, 'passphrase', now);
  await inTransaction(() => note('A device entered.', now));
  return (await doorState()).seal;
}
