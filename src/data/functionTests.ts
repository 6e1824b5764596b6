import type { FunctionTest } from './rows';
import { findRows } from './table';

/** As they were written down: a clock that was set back makes no test the newest that is not. */
const IN_ORDER: [string, string][] = [['rowid', 'ASC']];

export const functionTestsOf = (restorationId: string): Promise<FunctionTest[]> =>
  findRows('function_tests', { restorationId }, IN_ORDER);
