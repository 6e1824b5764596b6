import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';

/** Whether the process that writes a half file still runs; its number stands in the name. */
function isBeingWritten(file: string): boolean {
  const pid = Number(/\.(\d+)\.[^.]+\.part$/.exec(file)?.[1] ?? 0);
  if (pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Takes away what a crash left half written; a whole file never has such a name. */
export async function sweepHalfWritten(folder: string): Promise<void> {
  for (const place of ['photos', 'thumbnails']) {
    const root = path.join(folder, place);
    const files = await readdir(root, { recursive: true }).catch(() => []);
    for (const file of files) if (file.endsWith('.part') && !isBeingWritten(file)) await rm(path.join(root, file), { force: true });
  }
}
