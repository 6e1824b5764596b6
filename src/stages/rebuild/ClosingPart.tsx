'use client';

import { Box, Text } from '@chakra-ui/react';
import { TEST_ITEMS, TEST_PHASES, TEST_STATES, type Comparison } from '@/core/runsheet/functionTest';
import type { Hold } from '@/core/teardown/closing';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { test } from './actions';

interface Props {
  restorationId: string;
  holds: readonly Hold[];
  compared: readonly Comparison[];
  tested: boolean;
}

/** Test before closing, and again after; the case stays open until everything is settled. */
export function ClosingPart({ restorationId, holds, compared, tested }: Props) {
  return (
    <Part title="Before the case is closed" id="closing">
      {holds.length === 0 ? (
        <Text fontWeight="650" mb="3">
          Nothing holds it. Close the case and mark the stage as done below.
        </Text>
      ) : (
        <Box as="ul" mb="4" borderLeftWidth="8px" borderColor="amber" pl="3" listStyleType="none">
          {holds.map(({ words }) => (
            <li key={words}>{words}</li>
          ))}
        </Box>
      )}
      {tested && (
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
      )}
      <Fold summary="Make a function test">
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
            { name: 'waivedWhy', label: 'Waived, because', optional: true, hint: 'Only where it cannot be tested; the reason goes into the record' },
          ]}
          initial={{ phase: 'before closing', ...Object.fromEntries(TEST_ITEMS.map((item) => [item, 'not tried'])), waivedWhy: '' }}
          submit="Keep this test"
          done="Test kept."
          bench
          send={(values) => test({ restorationId, ...values })}
        />
      </Fold>
    </Part>
  );
}
