import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { filesUnder } from '../filesUnder';

/** A half file or a mark: what it stands for, the process that writes it, and one name of its own. */
const PART = /^(.+)\.(\d+)\.[^.]+\.part$/;

/** Whether the process that left a half file still runs; its number stands in the name. */
export function isBeingWritten(file: string): boolean {
  const pid = Number(PART.exec(file)?.[2] ?? 0);
  if (pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Whether a row has the file of this hash. */
export type Spoken = (hash: string) => Promise<boolean>;

/** Takes a photograph's file away where no row has it and nobody else is keeping it just now. */
export async function removeUnspoken(folder: string, file: string, isSpoken: Spoken): Promise<void> {
  if (!path.relative(path.join(folder, 'photos'), file).match(/^..\/[0-9a-f]{64}\.\w+$/)) return;
  const beside = await readdir(path.dirname(file)).catch(() => []);
  if (beside.some((name) => name.startsWith(`${path.basename(file)}.`))) return;
  if (!(await isSpoken(path.basename(file).split('.')[0]!))) await rm(file, { force: true });
}

/** Takes away what a crash left half written, and whole files that it left without the row that speaks of them. */
export async function sweepHalfWritten(folder: string, isSpoken: Spoken): Promise<void> {
  for (const place of ['photos', 'thumbnails', 'incoming']) {
    for await (const file of filesUnder(path.join(folder, place))) {
      if (!file.endsWith('.part') || isBeingWritten(file)) continue;
      await rm(file, { force: true });
      const whole = PART.exec(file)?.[1];
      if (whole) await removeUnspoken(folder, whole, isSpoken);
    }
  }
}
