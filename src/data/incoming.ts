import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { Refusal } from '@/core/refusal';
import { dataFolder } from './folder';

/**
 * Lays a large file that comes in beside the data while it is looked at, as it arrives and never whole in memory; it is
 * gone again afterwards, and a crash leaves nothing that the next start does not clear away.
 *
 * @throws Refusal (`file`) where it breaks off or grows too long
 */
export async function withIncoming<T>(body: ReadableStream<Uint8Array>, mostBytes: number, work: (file: string) => Promise<T>): Promise<T> {
  const folder = path.join(dataFolder(), 'incoming');
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = path.join(folder, `zip.${process.pid}.${randomUUID()}.part`);
  let length = 0;
  const measured = new Transform({
    transform: (part: Buffer, _, done) => {
      length += part.byteLength;
      done(length > mostBytes ? new Refusal('file', 'The file is longer than it said. Nothing of it was kept.') : null, part);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body), measured, createWriteStream(file, { mode: 0o600 })).catch((failure: NodeJS.ErrnoException) => {
      // What the disk says is for whoever answers; anything else is the connection.
      if (failure instanceof Refusal || failure.syscall) throw failure;
      throw new Refusal('file', 'The file did not arrive whole. Nothing was kept; send it again.');
    });
    return await work(file);
  } finally {
    await rm(file, { force: true });
  }
}
