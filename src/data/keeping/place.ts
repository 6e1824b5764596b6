import { mkdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { Refusal } from '@/core/refusal';

/** Makes a folder and tries to write there. @throws Refusal (`folder`) where that cannot be */
export async function accessPlace(folder: string): Promise<void> {
  if (!path.isAbsolute(folder))
    throw new Refusal('folder', 'Give the whole path, from the root of the disk, as in /media/disk/kvell.');
  const trial = path.join(folder, `.trial-${randomUUID()}`);
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 });
    await writeFile(trial, 'kvell');
  } catch (failure) {
    throw new Refusal(
      'folder',
      `Nothing can be written there (${(failure as { code?: string }).code ?? 'unknown'}). Plug the disk in, or choose another folder.`,
    );
  } finally {
    await rm(trial, { force: true }).catch(() => {});
  }
}
