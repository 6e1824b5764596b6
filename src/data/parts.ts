import type { PartRow } from './rows';
import { findRows } from './table';

/** Parts of a machine that are drawn to be made, the newest first. */
export const partsOf = (restorationId: string): Promise<PartRow[]> =>
  findRows('parts', { restorationId }, [['rowid', 'DESC']]);
