import type { TestPhase, TestResults } from '@/core/runsheet/functionTest';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { FunctionTest } from './rows';
import { addRow, findRows, needRow } from './table';

export const functionTestsOf = (restorationId: string): Promise<FunctionTest[]> => findRows('function_tests', { restorationId }, [['at', 'ASC']]);

/** Keeps a function test, or that it is waived with a reason. */
export async function keepFunctionTest(
  test: { restorationId: string; phase: TestPhase; results: TestResults; waivedWhy: string | null },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    await needRow('restorations', test.restorationId);
    await addRow('function_tests', { ...test, at: now.toISOString() });
    const faulty = Object.entries(test.results).flatMap(([item, state]) => (state === 'faulty' ? [item] : []));
    const found = faulty.length > 0 ? `faulty: ${faulty.join(', ')}` : 'nothing faulty';
    await appendLog(
      {
        restorationId: test.restorationId,
        stage: test.phase === 'before' ? 'intake' : 'rebuild',
        kind: 'function test',
        words: `Function test ${test.phase}: ${found}.${test.waivedWhy === null ? '' : ` Waived: ${test.waivedWhy}.`}`,
        data: test.results,
      },
      now,
    );
  });
}
