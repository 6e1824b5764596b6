'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { STAGES, STAGE_WORDS, type Stage, type StageState } from '@/core/runsheet/stages';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { markStage } from './actions';

// Forms come when somebody unfolds them.
const NotNeededForm = dynamic(() => import('./NotNeededForm').then((part) => part.NotNeededForm));

interface Props {
  restorationId: string;
  stage: Stage;
  state: StageState;
  reason: string | null;
  /** What is to be kept as it is on this machine, in words; asked about before the finish is done. */
  marks: readonly string[];
  /** Nothing else is to be done on this stage: to end it is the main action of its first view. */
  main: boolean;
}

/** Ends a stage, done or not needed, or opens it again. */
export function StageEnd({ restorationId, stage, state, reason, marks, main }: Props) {
  const router = useRouter();
  const [kept, setKept] = useState(false);
  const toKeep = stage === 'finish' ? marks : [];
  const { wrong, busy, send } = useSend();
  const after = STAGES[STAGES.indexOf(stage) + 1];
  const marked = (to: StageState) => {
    say(to === 'open' ? 'The stage is open again.' : `Stage ${to}.`);
    if (to === 'done' && after) router.push(`/restorations/${restorationId}/${after}`);
  };
  const mark = (to: StageState) =>
    send(
      () =>
        markStage({
          restorationId,
          stage,
          state: to,
          reason: to === 'done' && kept && toKeep.length > 0 ? `kept: ${toKeep.join('; ')}` : '',
        }),
      () => marked(to),
    );
  const again = (
    <Button disabled={busy} onClick={() => mark('open')}>
      Open it again
    </Button>
  );
  if (state !== 'open')
    return (
      <Box as="section" aria-label="End of this stage" borderTopWidth="3px" borderColor="ink" pt="3" mt="6">
        <Flex align="center" gap="4" wrap="wrap">
          <Text>
            <b>This stage is {state}</b>
            {reason && `: ${reason}`}
          </Text>
        </Flex>
        {main ? <MainAction>{again}</MainAction> : again}
        <Wrong words={wrong} />
      </Box>
    );
  const done = (
    <Button
      look={main ? 'go' : 'quiet'}
      bench
      disabled={busy}
      onClick={() => mark('done')}
      flex={{ base: '1 1 100%', md: '0 0 auto' }}
    >
      {STAGE_WORDS[stage].title} is done
    </Button>
  );
  return (
    <Box as="section" aria-label="End of this stage" borderTopWidth="3px" borderColor="ink" pt="3" mt="6">
      {toKeep.length > 0 && (
        <Check checked={kept} onChange={setKept}>
          Covered before any coat, and still there: {toKeep.join('; ')}
        </Check>
      )}
      {main ? <MainAction>{done}</MainAction> : done}
      <Wrong words={wrong} />
      <Fold summary="Not needed on this machine" quiet>
        <NotNeededForm restorationId={restorationId} stage={stage} onDone={() => marked('not needed')} />
      </Fold>
    </Box>
  );
}
