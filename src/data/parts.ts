import type { PartRow, SizeRow } from './rows';
import { findRows } from './table';

/** Parts of a machine that are drawn to be made, the newest first. */
export const partsOf = (restorationId: string): Promise<PartRow[]> =>
  findRows('parts', { restorationId }, [['rowid', 'DESC']]);

/** Sizes of a machine that were measured on photographs, the newest first. */
export const sizesOf = (restorationId: string): Promise<SizeRow[]> =>
  findRows('sizes', { restorationId }, [['rowid', 'DESC']]);
