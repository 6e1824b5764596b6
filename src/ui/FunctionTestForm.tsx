'use client';

import { TEST_ITEMS, TEST_PHASES, TEST_STATES, type Comparison, type TestPhase } from '@/core/runsheet/functionTest';
import type { FieldError } from '@/core/sums/fieldErrors';
import { AnswerForm, options, type Values } from './AnswerForm';
import { DataTable } from './DataTable';

type Answer = { ok: true; value: void } | { ok: false; errors: FieldError[] };

/** A function test: display to lamps, each key group by itself. */
export function FunctionTestForm({
  restorationId,
  phase,
  send,
}: {
  restorationId: string;
  phase: TestPhase;
  send: (values: Values) => Promise<Answer>;
}) {
  return (
    <AnswerForm
      draftKey={`test:${restorationId}`}
      fields={[
        { name: 'phase', label: 'When', kind: 'choice', options: options(TEST_PHASES) },
        ...TEST_ITEMS.map((item) => ({
          name: item,
          label: item[0]!.toUpperCase() + item.slice(1),
          kind: 'choice' as const,
          options: options(TEST_STATES),
          half: true,
        })),
        {
          name: 'waivedWhy',
          label: 'Waived, because',
          optional: true,
          hint: 'Where it cannot be tested, or a fault stays; the reason goes into the record',
        },
      ]}
      initial={{ phase, ...Object.fromEntries(TEST_ITEMS.map((item) => [item, 'not tried'])), waivedWhy: '' }}
      submit="Keep this test"
      done="Test kept."
      bench
      send={send}
    />
  );
}

/** The tests of all three phases side by side. */
export function ComparedTests({ compared }: { compared: readonly Comparison[] }) {
  return (
    <DataTable
      caption="Function tests side by side"
      rows={compared}
      rowKey={({ item }) => item}
      columns={[
        { title: 'What', cell: ({ item }) => item },
        ...TEST_PHASES.map((phase) => ({ title: phase, cell: ({ states }: Comparison) => states[phase] ?? '–' })),
        { title: 'Change', cell: ({ change }) => ({ lost: 'lost on the way', won: 'works now', same: '' })[change] },
      ]}
    />
  );
}
