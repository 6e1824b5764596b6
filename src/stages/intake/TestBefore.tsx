'use client';

import type { Comparison } from '@/core/runsheet/functionTest';
import { Fold } from '@/ui/Fold';
import { ComparedTests, FunctionTestForm } from '@/ui/FunctionTestForm';
import { test } from './actions';

/** The function test before the work, which the later ones are held against. */
export function TestBefore({ restorationId, compared, tested }: { restorationId: string; compared: readonly Comparison[]; tested: boolean }) {
  return (
    <>
      {tested && <ComparedTests compared={compared} />}
      <Fold summary={tested ? 'Test again' : 'Test what may be tried, group by group'}>
        <FunctionTestForm restorationId={restorationId} phase="before" send={(values) => test({ restorationId, ...values })} />
      </Fold>
    </>
  );
}
