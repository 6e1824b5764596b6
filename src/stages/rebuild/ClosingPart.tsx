'use client';

import { Box, Text } from '@chakra-ui/react';
import type { Comparison } from '@/core/runsheet/functionTest';
import type { Hold } from '@/core/teardown/closing';
import { Fold } from '@/ui/Fold';
import { ComparedTests, FunctionTestForm } from '@/ui/FunctionTestForm';
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
      {tested && <ComparedTests compared={compared} />}
      <Fold summary="Make a function test">
        <FunctionTestForm restorationId={restorationId} phase="before closing" send={(values) => test({ restorationId, ...values })} />
      </Fold>
    </Part>
  );
}
