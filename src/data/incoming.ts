import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { createHash, randomUUID } from 'node:crypto';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { Refusal } from '@/core/refusal';
import { dataFolder } from './folder';

/**
 * A place beside the data, on the same disk; a crash leaves nothing there that the next start does not clear away.
 *
 * @param what begins its name, for whoever looks into the folder
 */
export async function incomingPlace(what: 'file' | 'copy' | 'opened'): Promise<string> {
  const folder = path.join(dataFolder(), 'incoming');
  await mkdir(folder, { recursive: true, mode: 0o700 });
  return path.join(folder, `${what}.${process.pid}.${randomUUID()}.part`);
}

/** What was laid down: where, and the SHA-256 of it. */
export interface LaidDown {
  file: string;
  hash: string;
  bytes: number;
}

/**
 * Lays what comes in beside the data while it is looked at, as it arrives and never whole in memory; it is gone again
 * afterwards, unless it was moved to its place.
 *
 * @throws Refusal (`file`) where it grows too long; whatever the stream throws
 */
export async function withIncoming<T>(
  content: Readable,
  mostBytes: number,
  work: (laid: LaidDown) => Promise<T>,
): Promise<T> {
  const file = await incomingPlace('file');
  const hash = createHash('sha256');
  let bytes = 0;
  const measured = new Transform({
    transform: (part: Buffer, _, done) => {
      bytes += part.byteLength;
      hash.update(part);
      done(
        bytes > mostBytes ? new Refusal('file', 'The file is longer than it said. Nothing of it was kept.') : null,
        part,
      );
    },
  });
  try {
    await pipeline(content, measured, createWriteStream(file, { mode: 0o600, flush: true }));
    return await work({ file, hash: hash.digest('hex'), bytes });
  } finally {
    await rm(file, { force: true });
  }
}

/** The same for the body of a request. @throws Refusal (`file`) also where it breaks off */
export function withIncomingBody<T>(
  body: ReadableStream<Uint8Array>,
  mostBytes: number,
  work: (laid: LaidDown) => Promise<T>,
): Promise<T> {
  const content = Readable.fromWeb(body);
  let broken = false;
  content.once('error', () => (broken = true));
  return withIncoming(content, mostBytes, work).catch((failure: unknown) => {
    throw broken ? new Refusal('file', 'The file did not arrive whole. Nothing was kept; send it again.') : failure;
  });
}
