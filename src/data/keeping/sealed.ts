import { createReadStream, createWriteStream } from 'node:fs';
import { createHash } from 'node:crypto';
import { open } from 'node:fs/promises';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';
import { Refusal } from '@/core/refusal';

/** How a sealed file begins: the open age format, version 1. */
const SEALED = 'age-encryption.org/v1';

/** What a workshop’s backups are sealed with: anybody may seal for it, only who knows the passphrase opens them. */
export interface Seal {
  /** Public; it names the key as well. */
  recipient: string;
  /** The key that opens them, itself sealed by the passphrase, as base64. */
  locked: string;
}

/** How hard a passphrase is to guess by trying: 2 to this power is the work of one try. */
const SCRYPT_LOG_N = process.env.NODE_ENV === 'test' ? 10 : 18;

/** A key of its own for the backups of a workshop, locked with a passphrase. */
export async function newSeal(passphrase: string): Promise<Seal> {
  const identity = await generateX25519Identity();
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(SCRYPT_LOG_N);
  encrypter.setPassphrase(passphrase);
  return {
    recipient: await identityToRecipient(identity),
    locked: Buffer.from(await encrypter.encrypt(identity)).toString('base64'),
  };
}

const WRONG = 'This passphrase does not open it. Type the one that was set when the backup was made; capitals count.';

/** The key out of its lock. @throws Refusal (`passphrase`) where the passphrase is another one */
export async function openLock(locked: Buffer, passphrase: string): Promise<string> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  return decrypter.decrypt(new Uint8Array(locked), 'text').catch(() => {
    throw new Refusal('passphrase', WRONG);
  });
}

const web = (content: Readable) => Readable.toWeb(content) as unknown as globalThis.ReadableStream<Uint8Array>;
const node = (content: globalThis.ReadableStream<Uint8Array>) =>
  Readable.fromWeb(content as unknown as ReadableStream<Uint8Array>);

/** What a stream is for whoever has the key of a recipient. */
export async function sealFor(content: Readable, recipient: string): Promise<Readable> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(recipient);
  return node(await encrypter.encrypt(web(content)));
}

/** What a stream is for whoever knows a passphrase. */
export async function sealWith(content: Readable, passphrase: string): Promise<Readable> {
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(SCRYPT_LOG_N);
  encrypter.setPassphrase(passphrase);
  return node(await encrypter.encrypt(web(content)));
}

/** What was sealed for a key. @throws Refusal (`file`) where the key is another one or the file was changed */
export async function unsealBy(content: Readable, identity: string): Promise<Readable> {
  const decrypter = new Decrypter();
  decrypter.addIdentity(identity);
  return node(
    await decrypter.decrypt(web(content)).catch(() => {
      throw new Refusal(
        'file',
        'A part of the backup was sealed with another key, or was changed. Use another backup.',
      );
    }),
  );
}

/** What was sealed with a passphrase. @throws Refusal (`passphrase`) where it is another one */
export async function unsealWith(content: Readable, passphrase: string): Promise<Readable> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  return node(
    await decrypter.decrypt(web(content)).catch(() => {
      throw new Refusal('passphrase', WRONG);
    }),
  );
}

/** Whether a file is sealed. */
export async function isSealed(file: string): Promise<boolean> {
  let start = Buffer.alloc(0);
  for await (const part of createReadStream(file, { end: SEALED.length - 1 }))
    start = Buffer.concat([start, part as Buffer]);
  return start.toString('latin1') === SEALED;
}

/** What went by: how much, and the SHA-256 of it. */
export interface Passed {
  bytes: number;
  sha256: string;
}

/** Writes a stream to a file, and tells what went by. */
export async function writeDown(content: Readable, file: string): Promise<Passed> {
  const hash = createHash('sha256');
  let bytes = 0;
  const counted = new Transform({
    transform: (part: Buffer, _, done) => {
      bytes += part.byteLength;
      hash.update(part);
      done(null, part);
    },
  });
  await pipeline(content, counted, createWriteStream(file, { mode: 0o600, flush: true }));
  return { bytes, sha256: hash.digest('hex') };
}

/** A piece of a file that is read at once. */
const READ_BYTES = 64 * 1024;

/** The SHA-256 of a file, read back from the disk. A stream for each of fifty thousand small files would take longer than they. */
export async function hashOfFile(file: string): Promise<Passed> {
  const hash = createHash('sha256');
  const room = Buffer.allocUnsafe(READ_BYTES);
  let bytes = 0;
  const handle = await open(file);
  try {
    for (;;) {
      const { bytesRead } = await handle.read(room, 0, READ_BYTES);
      if (bytesRead === 0) return { bytes, sha256: hash.digest('hex') };
      hash.update(room.subarray(0, bytesRead));
      bytes += bytesRead;
    }
  } finally {
    await handle.close();
  }
}
