import { readdir } from 'node:fs/promises';
import path from 'node:path';

/**
 * Files under a folder, with their whole paths, folder by folder: Node’s own reading of all of them asks the disk for each
 * name while everybody waits. Nothing where there is no such folder.
 */
export async function* filesUnder(folder: string): AsyncGenerator<string> {
  const entries = await readdir(folder, { withFileTypes: true }).catch((failure: NodeJS.ErrnoException) => {
    if (failure.code === 'ENOENT') return [];
    throw failure;
  });
  for (const entry of entries) {
    const at = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* filesUnder(at);
    else yield at;
  }
}
