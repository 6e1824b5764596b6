import type { RepairRow } from './rows';
import { findRows } from './table';

/** Breaks of a machine that were measured, and how they were mended, the newest first. */
export const repairsOf = (restorationId: string): Promise<RepairRow[]> =>
  findRows('repairs', { restorationId }, [['rowid', 'DESC']]);
