import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import pLimit, { type LimitFunction } from 'p-limit';
import { dataFolder } from '../folder';

/** A backup that was made and read back. */
export interface GoodCopy {
  id: string;
  at: string;
  bytes: number;
  /** The newest log entry that is in it. */
  mark: number;
}

/** What a workshop says of its backups. It lies beside the database: putting a backup back leaves it as it is. */
export interface Keeping {
  /** Where backups go; `null` for the folder beside the data. */
  folder: string | null;
  /** One a day, on days on which something was written. */
  daily: boolean;
  /** What they are sealed with, its locked key as base64; `null` where they lie open. */
  seal: { recipient: string; locked: string } | null;
  last: GoodCopy | null;
  /** Why the last try failed, where nothing went well since. */
  failed: { at: string; why: string } | null;
}

const NONE: Keeping = { folder: null, daily: true, seal: null, last: null, failed: null };

const place = () => path.join(dataFolder(), 'keeping.json');

/** What was said of backups. A file that cannot be read counts as nothing said: backups go on. */
export async function keepingState(): Promise<Keeping> {
  const text = await readFile(place(), 'utf8').catch(() => '{}');
  try {
    return { ...NONE, ...(JSON.parse(text) as Partial<Keeping>) };
  } catch {
    return NONE;
  }
}

const shared = globalThis as { kvellKeeping?: LimitFunction };

/** Changes what is said of backups, one change after the other: two at once both stand. */
export const changeKeeping = (changes: Partial<Keeping>): Promise<void> =>
  (shared.kvellKeeping ??= pLimit(1))(async () => {
    const whole = JSON.stringify({ ...(await keepingState()), ...changes }, null, 2);
    await mkdir(dataFolder(), { recursive: true, mode: 0o700 });
    const half = `${place()}.${randomUUID()}.half`;
    await writeFile(half, whole, { mode: 0o600, flush: true });
    await rename(half, place());
  });

/** Where backups go. */
export const backupFolder = ({ folder }: Pick<Keeping, 'folder'>): string =>
  folder ?? path.join(dataFolder(), 'backups');
