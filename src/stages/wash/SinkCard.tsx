'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { OUTCOMES, type Outcome } from '@/core/cleaning/outcomes';
import { Cautions } from '@/ui/Cautions';
import { showSpan, useNow } from '@/ui/clock';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useReadCautions } from '@/ui/useReadCautions';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { endAtSink, startAtSink } from './actions';
import type { PassView } from './view';

// Comes when something was harmed.
const HarmForm = dynamic(() => import('./HarmForm').then((part) => part.HarmForm));

const WORDS: Record<Outcome, string> = { gone: 'Gone', better: 'Better', 'no change': 'No change', harmed: 'Harmed' };

/** One pass at the sink: what, where, how, how long, with which protection; then one tap for what came of it. */
export function SinkCard({ pass, restorationId }: { pass: PassView; restorationId: string }) {
  const runs = pass.spots.some(({ stepId }) => stepId !== null);
  return (
    <Box>
      <Text fontFamily="heading" fontWeight="650" fontSize={{ base: '26px', md: '30px' }} lineHeight="1.15">
        {pass.title}
      </Text>
      <Text fontSize="18px" mb="3">
        on <b>{pass.place}</b>: {pass.spots.map(({ name }) => name).join('; ')}
      </Text>
      {runs ? <Running pass={pass} restorationId={restorationId} /> : <Ready pass={pass} />}
    </Box>
  );
}

function Ready({ pass }: { pass: PassView }) {
  const { wrong, busy, send } = useSend();
  const { areRead, onChange } = useReadCautions(pass.cautions);
  const facts = [
    pass.bath,
    pass.dwellMin > 0 && `works ${pass.dwellMin} min`,
    `about ${pass.handsMin} min of hands`,
    pass.protection !== 'none' && pass.protection,
    pass.rinse !== 'none' && `rinse: ${pass.rinse}`,
  ].filter(Boolean);
  return (
    <>
      <Text>{pass.does}</Text>
      <Text color="soft" mb="3">
        {facts.join(' · ')}
      </Text>
      {[
        ...pass.between,
        ...pass.masks.map((mask) => `Cover first: ${mask}.`),
        ...pass.testSpots.map((spot) => `On a hidden spot first. ${spot}`),
      ].map((words) => (
        <Text key={words} borderLeftWidth="8px" borderColor="amber" pl="3" mb="2" fontWeight="650">
          {words}
        </Text>
      ))}
      <Cautions cautions={pass.cautions} confirm={{ checked: areRead, onChange }} />
      <Wrong words={wrong} />
      <MainAction>
        <Button
          look="go"
          bench
          flex="1"
          loading={busy}
          onClick={() =>
            send(
              (once) =>
                startAtSink(
                  once({ findingIds: pass.spots.map(({ id }) => id), agent: pass.agent, confirmed: areRead }),
                ),
              () => say('Under way.'),
            )
          }
        >
          {pass.dwellMin > 1 ? 'Start, and let it work' : 'Start'}
        </Button>
      </MainAction>
      <Text color="soft" mt="2">
        {pass.why}
      </Text>
    </>
  );
}

function Running({ pass, restorationId }: { pass: PassView; restorationId: string }) {
  const now = useNow();
  const { wrong, busy, send } = useSend();
  const [harmed, setHarmed] = useState<string | null>(null);
  const left = pass.dueAt === null ? 0 : Date.parse(pass.dueAt) - now;
  return (
    <>
      {pass.dueAt !== null && (
        <Text
          fontFamily="mono"
          fontSize="44px"
          lineHeight="1.1"
          bg={now > 0 && left <= 0 ? 'amber' : 'transparent'}
          color={now > 0 && left <= 0 ? 'onAmber' : 'ink'}
          px="2"
        >
          {now === 0 ? '––:––' : showSpan(left)}
          <Text as="span" fontSize="18px">
            {' '}
            {left > 0 ? 'left to work' : 'over: take it off'}
          </Text>
        </Text>
      )}
      <Text mb="2">Rinse: {pass.rinse}. Then say what came of it, spot by spot.</Text>
      <Wrong words={wrong} />
      {pass.spots.map(({ id, name, stepId }) => (
        <Box key={id} borderTopWidth="1px" borderColor="line" py="3">
          <Text fontWeight="650" mb="2">
            {name}
          </Text>
          {stepId !== null && (
            <Grid templateColumns="1fr 1fr" gap="2">
              {OUTCOMES.map((outcome) => (
                <Button
                  key={outcome}
                  bench
                  look="quiet"
                  {...(outcome === 'harmed' && { color: 'hazard', borderColor: 'hazard' })}
                  disabled={busy}
                  aria-label={`${WORDS[outcome]}: ${name}`}
                  onClick={() =>
                    outcome === 'harmed'
                      ? setHarmed(stepId)
                      : send(
                          () => endAtSink({ stepId, outcome, words: '' }),
                          () => say(`${WORDS[outcome]}.`),
                        )
                  }
                >
                  {WORDS[outcome]}
                </Button>
              ))}
            </Grid>
          )}
          {harmed !== null && harmed === stepId && (
            <HarmForm stepId={stepId} restorationId={restorationId} onBack={() => setHarmed(null)} />
          )}
        </Box>
      ))}
    </>
  );
}
