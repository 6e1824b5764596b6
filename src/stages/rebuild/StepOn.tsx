'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { JOINTS } from '@/core/teardown/joints';
import { holeDepth, lotWords, outstanding } from '@/core/teardown/lots';
import type { ConnectionRow, LotRow, RemovalStep } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { PinnedPhoto } from '@/ui/PinnedPhoto';
import { boxFor, Screw } from '@/ui/Screw';
import { MainAction } from '@/ui/MainAction';
import { OutOfReach } from '@/ui/OutOfReach';
import { useSend } from '@/ui/useSend';
import { useWho } from '@/ui/useWho';
import { Wrong } from '@/ui/Wrong';
import { addOrder, tickJoined, explainMissingOnes, putStepOn, tickFasteners } from './actions';

interface Props {
  step: RemovalStep;
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  /** What it goes in before, where that is earlier than the plain reverse. */
  early: readonly string[] | null;
  size: { width: number; height: number } | null;
  people: readonly string[];
  /** What is still off and would go on after it. */
  stillOff: readonly RemovalStep[];
}

/** One thing goes on: how it looked, how it came off, its fasteners and connections, and then the tick. */
export function StepOn({ step, lots, connections, early, size, people, stillOff }: Props) {
  const [who] = useWho(people);
  const { wrong, busy, send } = useSend();
  const box = boxFor(lots);
  return (
    <Box>
      {early && (
        <Text borderLeftWidth="8px" borderColor="amber" pl="3" mb="3" fontWeight="650">
          Goes in early, before {early.join(' and ')}, or you take all this off again.
        </Text>
      )}
      <Text mb="3">
        {[
          step.laidAside ? 'Was off before the teardown began' : `Came off as number ${step.position}`,
          JOINTS[step.joint].title,
          step.way && `${step.way}, now the other way`,
          step.springs,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      <Text color="soft" mb="3">
        {JOINTS[step.joint].caution}
      </Text>
      <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' }} gap="5">
        {step.photoId !== null && size && (
          <PinnedPhoto
            photoId={step.photoId}
            size={size}
            alt={`${step.name} as it came off`}
            pins={step.pins.map((pin, i) => ({ ...pin, mark: String(i + 1), name: `${i + 1}` }))}
          />
        )}
        <Box>
          {lots.map((lot) => (
            <LotOn key={lot.id} lot={lot} box={box} busy={busy} send={send} />
          ))}
          {connections.map(({ id, kind, way, tickedAt }) => (
            <Box key={id} borderTopWidth="1px" borderColor="line" py="2">
              <Text>
                <b>{JOINTS[kind].title}</b>: {way}
              </Text>
              {tickedAt === null ? (
                <Button bench width="100%" mt="2" disabled={busy} onClick={() => send(() => tickJoined(id))}>
                  Connected this way round
                </Button>
              ) : (
                <Text color="soft">connected</Text>
              )}
            </Box>
          ))}
          <OutOfReach
            cover={step.name}
            things={stillOff}
            busy={busy}
            onTap={(firstId) =>
              send((once) => addOrder(once({ firstId, thenId: step.id, why: 'out of reach afterwards' })))
            }
          />
          <Wrong words={wrong} />
        </Box>
      </Grid>
      <MainAction>
        <Button
          look="go"
          bench
          flex="1"
          loading={busy}
          loadingText="It is on"
          onClick={() => send((once) => putStepOn(once({ stepId: step.id, words: '', by: who })))}
        >
          It is on
        </Button>
      </MainAction>
    </Box>
  );
}

interface LotProps {
  lot: LotRow;
  /** One scale for all lots of a step. */
  box: ReturnType<typeof boxFor>;
  busy: boolean;
  send: ReturnType<typeof useSend>['send'];
}

function LotOn({ lot, box, busy, send }: LotProps) {
  const left = outstanding({ lot, returned: lot.returned, missing: lot.missing });
  const put = (count: number) =>
    send((once) => tickFasteners(once({ lotId: lot.id, count, lengthMm: lot.lengthMm, expected: lot.returned })));
  return (
    <Box borderTopWidth="1px" borderColor="line" py="2">
      <Flex gap="3" align="center">
        <Box width="44px" height="64px" flex="none">
          <Screw screw={lot} boxMm={box} title={lotWords(lot)} />
        </Box>
        <Box flex="1">
          <Text fontWeight="650">{lotWords(lot)}</Text>
          <Text color="soft" fontSize="15px">
            {lot.returned} of {lot.count} back{lot.missing > 0 ? `, ${lot.missing} ${lot.words}` : ''}
            {lot.thing === 'screw' && ` · no longer than ${holeDepth(lot, lot.deepestMm)} mm`}
          </Text>
        </Box>
      </Flex>
      {left > 0 && (
        <>
          <Flex gap="3" mt="2">
            <Button bench flex="1" disabled={busy} onClick={() => put(left)}>
              All {left} in
            </Button>
            {left > 1 && (
              <Button bench disabled={busy} onClick={() => put(1)}>
                One in
              </Button>
            )}
          </Flex>
          <Fold summary="Another screw, or one is missing" quiet>
            <AnswerForm
              draftKey={`other:${lot.id}`}
              fields={[
                { name: 'count', label: 'How many', kind: 'number', half: true },
                { name: 'lengthMm', label: 'Length in hand', kind: 'number', unit: 'mm', fixedUnit: true, half: true },
              ]}
              initial={{ count: '1', lengthMm: String(lot.lengthMm) }}
              submit="Put these in"
              done="In."
              send={(values) => tickFasteners({ lotId: lot.id, expected: lot.returned, ...values })}
            />
            <AnswerForm
              draftKey={`missing:${lot.id}`}
              fields={[
                { name: 'count', label: 'How many are missing', kind: 'number', half: true },
                {
                  name: 'words',
                  label: 'What became of them',
                  half: true,
                  hint: 'Lost, left out; replaced by straight ones; swapped',
                },
              ]}
              initial={{ count: '1', words: '' }}
              submit="Explain"
              done="Noted."
              send={(values) => explainMissingOnes({ lotId: lot.id, ...values })}
            />
          </Fold>
        </>
      )}
    </Box>
  );
}
