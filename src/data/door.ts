import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Door } from './rows';
import { addRow, changeRow, findRow } from './table';

const ONLY = 'door';
/** Cost of the hash: some tens of milliseconds and 32 MB a try. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };
const HASH_BYTES = 32;
/** Tries that are free; after them each failure doubles the wait. */
const FREE_TRIES = 3;
const FIRST_WAIT_S = 5;
const LONGEST_WAIT_S = 15 * 60;

const slowHash = promisify<string, Buffer, number, typeof COST, Buffer>(scrypt);
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

/** Sets the passphrase: salt and slow hash are kept, and every device has to enter again. */
export async function setPassphrase(passphrase: string, now: Date): Promise<void> {
  const salt = randomBytes(16);
  const hash = await slowHash(passphrase, salt, HASH_BYTES, COST);
  await inTransaction(async () => {
    await doorRow();
    const kept = `${salt.toString('hex')}:${hash.toString('hex')}`;
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
 * Tries a passphrase. A try counts as failed before it is weighed, so that many at once gain nothing.
 *
 * @returns what the cookie is sealed with
 * @throws Refusal where it is wrong, or too many were tried
 */
export async function tryPassphrase(passphrase: string, now: Date): Promise<string> {
  const { kept, seal, waitS } = await inTransaction(async () => {
    const door = await doorRow();
    if (door.passphrase === null) throw new Refusal('passphrase', 'No passphrase is set. Set one at the desk, under Workshop.');
    const shutMs = door.shutUntil === null ? 0 : Date.parse(door.shutUntil) - now.getTime();
    if (shutMs > 0) throw new Refusal('passphrase', `Too many wrong tries. Wait ${Math.ceil(shutMs / 1000)} s, then try again.`);
    const failures = door.failures + 1;
    const wait = waitAfter(failures);
    await changeRow('door', { id: ONLY }, { failures, shutUntil: wait > 0 ? new Date(now.getTime() + 1000 * wait).toISOString() : null });
    return { kept: door.passphrase, seal: door.seal, waitS: wait };
  });
  const [salt, hash] = kept.split(':').map((part) => Buffer.from(part, 'hex')) as [Buffer, Buffer];
  if (!timingSafeEqual(hash, await slowHash(passphrase, salt, HASH_BYTES, COST)))
    throw new Refusal('passphrase', `That is not the passphrase.${waitS > 0 ? ` Wait ${waitS} s before the next try.` : ''}`);
  await inTransaction(async () => {
    await changeRow('door', { id: ONLY }, { failures: 0, shutUntil: null });
    await note('A device entered.', now);
  });
  return seal;
}
