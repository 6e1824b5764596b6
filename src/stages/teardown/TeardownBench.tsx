'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { maybeOutOfReach } from '@/core/teardown/reach';
import { JOINT_KINDS, JOINTS, WAY_ROUND, type Joint } from '@/core/teardown/joints';
import { FieldWatch } from '@/ui/FieldWatch';
import type { BlockRow, ConnectionRow, LotRow, Piece, RemovalStep, Tray } from '@/data/rows';
import { JointMark } from '@/ui/JointMark';
import { AnswerForm } from '@/ui/AnswerForm';
import { EmptyPlace, Part } from '@/ui/layout';
import { OutOfReach } from '@/ui/OutOfReach';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { useWakeLock } from '@/ui/useWakeLock';
import { useWho } from '@/ui/useWho';
import { WhoPart } from '@/ui/WhoPart';
import { Wrong } from '@/ui/Wrong';
import { addOrder, takeStepOff } from './actions';
import { StepCard } from './StepCard';

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  blocks: readonly BlockRow[];
  trays: readonly Tray[];
  pieces: readonly Piece[];
  sizes: Readonly<Record<string, { width: number; height: number }>>;
  people: readonly string[];
}

const JOINT_OPTIONS = JOINT_KINDS.map((kind) => ({
  value: kind,
  label: JOINTS[kind].title,
  picture: <JointMark joint={kind} />,
}));

/** The bench screen: the next thing off on top, the step in hand below it, and what would be out of reach. */
export function TeardownBench({
  restorationId,
  steps,
  lots,
  connections,
  blocks,
  trays,
  pieces,
  sizes,
  people,
}: Props) {
  useWakeLock();
  const [who] = useWho(people);
  const { wrong, busy, send } = useSend();
  const inHand = steps.findLast(({ laidAside }) => !laidAside);
  const [joint, setJoint] = useState<Joint>('screws');
  // What has just come off is in the hand: its photograph and fasteners are next. Opening the screen moves nothing.
  // Only what this device took off: a step of another device must not pull the page away under a hand.
  const [own, setOwn] = useState<string | null>(null);
  const isOwn = inHand !== undefined && inHand.id === own;
  useEffect(() => {
    if (isOwn) document.getElementById('in-hand')?.scrollIntoView();
  }, [isOwn, own]);
  return (
    <>
      <WhoPart people={people} />
      <Grid
        templateColumns={{ base: 'minmax(0, 1fr)', ...(inHand && { xl: 'minmax(0, 1fr) minmax(0, 1.3fr)' }) }}
        columnGap="8"
        alignItems="start"
      >
        <Box>
          <Part title="Next thing off" id="next">
            {steps.length === 0 && (
              <EmptyPlace>
                Nothing is off yet. Begin with what comes off first, and give the screws of a piece a step of their own.
              </EmptyPlace>
            )}
            <AnswerForm
              draftKey={`off:${restorationId}`}
              fields={[
                { name: 'name', label: 'What comes off', hint: 'Lid screws, lid, shield, keyboard plug' },
                { name: 'joint', label: 'Held by', kind: 'chips', options: JOINT_OPTIONS },
                { name: 'way', label: 'Force or trick', optional: true, hint: 'Slides left, then up' },
                ...(WAY_ROUND.includes(joint)
                  ? [
                      {
                        name: 'round',
                        label: 'Which way round',
                        hint: 'Red to the edge, blue upper, bare side of the foil down, bar swings up',
                      },
                    ]
                  : []),
                { name: 'springs', label: 'Springs and small parts', optional: true },
              ]}
              initial={{ name: '', joint: 'screws', way: '', springs: '', round: '' }}
              submit="It is off"
              done="Off, and in the log."
              bench
              send={async (values) => {
                const answer = await takeStepOff({ restorationId, by: who, ...values });
                if (answer.ok) setOwn(answer.value);
                return answer;
              }}
            >
              {(form) => (
                <>
                  <FieldWatch form={form} name="joint" onChange={(chosen) => setJoint(chosen as Joint)} />
                  <JointCaution joint={joint} />
                </>
              )}
            </AnswerForm>
          </Part>
        </Box>
        {inHand && (
          <Part title={`In hand: ${inHand.position} ${inHand.name}`} id="in-hand">
            <StepCard
              key={inHand.id}
              step={inHand}
              pieces={pieces}
              lots={lots.filter(({ stepId }) => stepId === inHand.id)}
              connections={connections.filter(({ stepId }) => stepId === inHand.id)}
              lastLot={lots[lots.length - 1] ?? null}
              trays={trays}
              size={inHand.photoId === null ? null : (sizes[inHand.photoId] ?? null)}
            />
            <Wrong words={wrong} />
            <OutOfReach
              cover={inHand.name}
              things={maybeOutOfReach(inHand, steps, blocks)}
              busy={busy}
              onTap={(firstId) =>
                send(
                  () => addOrder({ firstId, thenId: inHand.id, why: 'out of reach afterwards' }),
                  () => say('It goes on before.'),
                )
              }
            />
          </Part>
        )}
      </Grid>
    </>
  );
}

/** What is general about this kind of joint, before the step. */
function JointCaution({ joint }: { joint: Joint }) {
  const { caution, ask } = JOINTS[joint];
  return (
    <Box borderLeftWidth="8px" borderColor={joint === 'mains' || joint === 'spring' ? 'hazard' : 'amber'} pl="3" mb="3">
      <Text fontWeight="650">{caution}</Text>
      <Text color="soft">{ask}</Text>
    </Box>
  );
}
