import { database } from './connection';
import type { LogEntry } from './rows';
import { addNumbered, findColumns, findRows } from './table';
import type { Stage } from '@/core/runsheet/stages';
import { Op } from 'sequelize';

export interface NewLogEntry {
  restorationId: string | null;
  stage: Stage | null;
  kind: string;
  words: string;
  data?: unknown;
  corrects?: number | null;
}

/** Adds an entry. The log is append-only: the database refuses every change and removal. */
export async function appendLog(entry: NewLogEntry, now: Date): Promise<void> {
  await addNumbered('log', { data: null, corrects: null, ...entry, at: now.toISOString() });
}

/** The number of the newest entry: every change has one, so it tells whether a screen is still up to date. */
export async function newestMark(): Promise<number> {
  const { tables } = await database();
  return ((await tables.log.max('id')) as number | null) ?? 0;
}

/** Entries of a restoration, oldest first; `null` for those of the workshop. */
export function logOf(restorationId: string | null): Promise<LogEntry[]> {
  return findRows('log', { restorationId }, [['id', 'ASC']]);
}

export interface LogPage {
  /** Newest first. */
  entries: LogEntry[];
  /** Whether older ones follow. */
  older: boolean;
  /** Those of the entries that a later one takes the place of. */
  replaced: number[];
}

/** The newest entries of a restoration or the workshop, before an entry where one is given. */
export async function logPage(
  of: { restorationId: string | null; stage?: Stage; kind?: string },
  before: number | null,
  size: number,
): Promise<LogPage> {
  const found = await findRows(
    'log',
    { ...of, ...(before !== null && { id: { [Op.lt]: before } }) },
    [['id', 'DESC']],
    size + 1,
  );
  const entries = found.slice(0, size);
  const replaced = await findColumns('log', ['corrects'], { corrects: entries.map(({ id }) => id) });
  return { entries, older: found.length > size, replaced: replaced.flatMap(({ corrects }) => corrects ?? []) };
}

/** The stage that a restoration was worked at last; `null` where none is told of. */
export async function lastStageOf(restorationId: string): Promise<Stage | null> {
  const [worked] = await findRows('log', { restorationId, stage: { [Op.not]: null } }, [['id', 'DESC']], 1);
  return worked?.stage ?? null;
}
