import type { PaintSheet } from '@/core/finish/coat';
import type { CoatJobRow, CoatRow } from '@/data/rows';

/** What the product of a coat asks itself, else what the whole coating asks. */
export const sheetOf = (job: Pick<CoatJobRow, 'sheet'>, coat: Pick<CoatRow, 'sheet'>): PaintSheet =>
  coat.sheet ?? job.sheet;
