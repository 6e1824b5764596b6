import type { LotState } from '@/core/teardown/lots';
import type { FunctionTest, LotRow } from '@/data/rows';
import { findRows } from '@/data/table';

export const stateOf = (row: LotRow): LotState => ({ lot: row, returned: row.returned, missing: row.missing });

export const lastClosingTest = async (restorationId: string): Promise<FunctionTest | undefined> =>
  (await findRows('function_tests', { restorationId, phase: 'before closing' }, [['at', 'DESC']], 1))[0];
