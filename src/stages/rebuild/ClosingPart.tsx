'use client';

import { Box, Text } from '@chakra-ui/react';
import { compareTests } from '@/core/runsheet/functionTest';
import type { PowerDecided } from '@/data/firstPower';
import type { FunctionTest } from '@/data/rows';
import { PowerBanner } from '@/ui/PowerBanner';
import type { Hold } from '@/core/teardown/closing';
import { Fold } from '@/ui/Fold';
import { ComparedTests, FunctionTestForm } from '@/ui/FunctionTestForm';
import { Part } from '@/ui/layout';
import { holdWords } from '@/work/rebuild/words';
import type { KeysTried } from '@/work/keys/tests';
import { addFunctionTest } from './actions';

interface Props {
  restorationId: string;
  holds: readonly Hold[];
  tests: readonly FunctionTest[];
  keys: KeysTried | null;
  power: PowerDecided | null;
}

/** Test before closing, and again after; the case stays open until everything is settled. */
export function ClosingPart({ restorationId, holds, tests, keys, power }: Props) {
  return (
    <Part title="Before the case is closed" id="closing">
      {holds.length === 0 ? (
        <Text fontWeight="650" mb="3">
          Nothing holds it. Close the case, then end the stage.
        </Text>
      ) : (
        <Box as="ul" mb="4" borderLeftWidth="8px" borderColor="amber" pl="3" listStyleType="none">
          {holds.map(holdWords).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </Box>
      )}
      {tests.length > 0 && <ComparedTests compared={compareTests(tests)} />}
      <PowerBanner decided={power} href={`/restorations/${restorationId}/intake/power`} />
      <Fold summary="Make a function test">
        <FunctionTestForm
          restorationId={restorationId}
          phase="before closing"
          tests={tests}
          keys={keys}
          send={(given) => addFunctionTest({ restorationId, ...given })}
        />
      </Fold>
    </Part>
  );
}
