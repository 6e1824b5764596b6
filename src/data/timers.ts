import type { Timer } from './rows';
import { findRows, select } from './table';

/** Timers that still run or ring, the next due first. */
export const runningTimers = (): Promise<Timer[]> => findRows('timers', { endedAt: null }, [['dueAt', 'ASC']]);

/** Timers of one restoration that still run or ring. */
export const timersOf = (restorationId: string): Promise<Timer[]> =>
  findRows('timers', { restorationId, endedAt: null }, [['dueAt', 'ASC']]);

/** Timers of a session, by the piece that leads it, whichever machine that is of. */
export const timersOfSession = (sessionId: string): Promise<Timer[]> =>
  findRows('timers', { sessionId, endedAt: null });

/** A timer with the name of its machine; empty where it is of none. */
export type NamedTimer = Timer & { machine: string };

/** Timers whose machine is not put away. */
const AMONG_US = 'NOT EXISTS (SELECT 1 FROM put_away WHERE put_away.id = timers.restorationId)';

/** The timers that ring next, of the whole workshop, and how many more there are. */
export async function nextTimers(most: number): Promise<{ timers: NamedTimer[]; more: number }> {
  const [timers, all] = await Promise.all([
    select<NamedTimer>(
      `SELECT timers.*, COALESCE(restorations.title, '') AS machine FROM timers LEFT JOIN restorations ON restorations.id = timers.restorationId
        WHERE timers.endedAt IS NULL AND ${AMONG_US} ORDER BY MIN(dueAt, COALESCE(nextReminderAt, dueAt)), timers.id LIMIT :most`,
      { most },
    ),
    // Counted from the indexes alone: few are put away, and then few of their timers still run.
    select<{ all: number }>(
      `SELECT (SELECT COUNT(*) FROM timers WHERE endedAt IS NULL)
        - (SELECT COUNT(*) FROM put_away CROSS JOIN timers ON timers.restorationId = put_away.id WHERE endedAt IS NULL) AS "all"`,
    ),
  ]);
  return { timers, more: all[0]!.all - timers.length };
}
