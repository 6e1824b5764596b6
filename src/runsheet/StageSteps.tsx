'use client';

import { Flex } from '@chakra-ui/react';
import { STAGES, STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { LinkButton } from '@/ui/links';

/** To the stage before and the one after. */
export function StageSteps({ restorationId, stage }: { restorationId: string; stage: Stage }) {
  const at = STAGES.indexOf(stage);
  return (
    <Flex gap="1">
      {[STAGES[at - 1], STAGES[at + 1]].map(
        (other, i) =>
          other && (
            <LinkButton key={other} href={`/restorations/${restorationId}/${other}`} look="bare">
              {i === 0 ? `← ${STAGE_WORDS[other].title}` : `${STAGE_WORDS[other].title} →`}
            </LinkButton>
          ),
      )}
    </Flex>
  );
}
