import type { LedgerEntry } from './rows';
import { findRows } from './table';

/** Minutes and materials of every stage. */
export const ledgerOf = (restorationId: string): Promise<LedgerEntry[]> =>
  findRows('ledger', { restorationId }, [['at', 'ASC']]);
