import type { LookAgain } from './rows';
import { findRows } from './table';
import { Op, literal } from 'sequelize';

/** A measurement up to this long before its date counts for a look. */
export const EARLY_MS = 30 * 24 * 3_600_000;

export const looksOf = (restorationId: string): Promise<LookAgain[]> =>
  findRows('looks_again', { restorationId }, [['dueAt', 'ASC']]);

/** Looks of the whole workshop whose time has come: the first so many. */
export const looksDue = (now: Date, most: number): Promise<LookAgain[]> =>
  findRows(
    'looks_again',
    {
      measurementId: null,
      restorationId: { [Op.notIn]: literal('(SELECT id FROM put_away)') },
      dueAt: { [Op.lte]: new Date(now.getTime() + EARLY_MS).toISOString() },
    },
    [
      ['dueAt', 'ASC'],
      ['id', 'ASC'],
    ],
    most,
  );
