import type { PutAwayRow } from './rows';
import { findRow, select } from './table';

/** Restorations that are not put away, for a query over several. */
export const NOT_AWAY = 'NOT EXISTS (SELECT 1 FROM put_away WHERE put_away.id = restorations.id)';

/** Restorations of which more than the log is here. */
export const NOT_GONE =
  'NOT EXISTS (SELECT 1 FROM put_away WHERE put_away.id = restorations.id AND goneAt IS NOT NULL)';

/** Since when a restoration is put away, and when it goes for good where it was deleted; `null` for one that is among the others. */
export const awayOf = (restorationId: string): Promise<PutAwayRow | null> => findRow('put_away', restorationId);

/** A restoration that was deleted. */
export type DeletedRestoration = Pick<PutAwayRow, 'id' | 'at' | 'goesAt'> & { title: string };

/** So many stand in a list of what was deleted. */
const MOST_SHOWN = 60;

/** Deleted restorations that are still here, the next to go first. */
export const deletedRestorations = (): Promise<DeletedRestoration[]> =>
  select(
    `SELECT put_away.id, title, at, goesAt FROM put_away JOIN restorations ON restorations.id = put_away.id
      WHERE goesAt IS NOT NULL AND goneAt IS NULL ORDER BY goesAt, put_away.id LIMIT :most`,
    { most: MOST_SHOWN },
  );

/** Restorations of which only the log is left, the last one first. */
export const goneRestorations = (): Promise<{ id: string; title: string; goneAt: string }[]> =>
  select(
    `SELECT put_away.id, title, goneAt FROM put_away JOIN restorations ON restorations.id = put_away.id
      WHERE goneAt IS NOT NULL ORDER BY goneAt DESC, put_away.id LIMIT :most`,
    { most: MOST_SHOWN },
  );

/** Deleted restorations whose day has come. */
export const restorationsToGo = (now: Date): Promise<{ id: string; title: string }[]> =>
  select(
    `SELECT put_away.id, title FROM put_away JOIN restorations ON restorations.id = put_away.id
      WHERE goesAt <= :now AND goneAt IS NULL`,
    { now: now.toISOString() },
  );
