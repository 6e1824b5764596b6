'use client';

import { compareTests } from '@/core/runsheet/functionTest';
import type { FunctionTest } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import { ComparedTests, FunctionTestForm } from '@/ui/FunctionTestForm';
import type { KeysTried } from '@/work/keys/tests';
import { addFunctionTest } from './actions';

/** The function test before the work, which the later ones are held against. */
export function TestBefore({
  restorationId,
  tests,
  keys,
}: {
  restorationId: string;
  tests: readonly FunctionTest[];
  keys: KeysTried | null;
}) {
  return (
    <>
      {tests.length > 0 && <ComparedTests compared={compareTests(tests)} />}
      <Fold summary={tests.length > 0 ? 'Test again' : 'Test what may be tried, group by group'}>
        <FunctionTestForm
          restorationId={restorationId}
          phase="before"
          tests={tests}
          keys={keys}
          send={(given) => addFunctionTest({ restorationId, ...given })}
        />
      </Fold>
    </>
  );
}
