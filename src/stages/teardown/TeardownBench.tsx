'use client';

import { Box, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { maybeOutOfReach } from '@/core/teardown/reach';
import { JOINT_KINDS, JOINTS, WAY_ROUND, type Joint } from '@/core/teardown/joints';
import { FieldWatch } from '@/ui/FieldWatch';
import type { BlockRow, ConnectionRow, LotRow, Piece, RemovalStep, Tray } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { OutOfReach } from '@/ui/OutOfReach';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { useWakeLock } from '@/ui/useWakeLock';
import { useWho } from '@/ui/useWho';
import { WhoPart } from '@/ui/WhoPart';
import { Wrong } from '@/ui/Wrong';
import { aside, block, off } from './actions';
import { BlockPart } from './BlockPart';
import { FilesPart } from './FilesPart';
import { StepCard } from './StepCard';
import { TrayPart } from './TrayPart';

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  blocks: readonly BlockRow[];
  trays: readonly Tray[];
  /** What lies in the trays of other machines, by tray and cell. */
  taken: readonly { tray: string; cell: number; machine: string }[];
  pieces: readonly Piece[];
  /** Steps that wait for each other in a ring, by id. */
  circles: readonly (readonly string[])[];
  sizes: Readonly<Record<string, { width: number; height: number }>>;
  people: readonly string[];
  /** The step that a label leads to. */
  opened: string | null;
}

const JOINT_OPTIONS = JOINT_KINDS.map((kind) => ({ value: kind, label: JOINTS[kind].title }));

/** The bench screen: the next thing off on top, the step in hand below it, then the tray and the blocks. */
export function TeardownBench({ restorationId, steps, lots, connections, blocks, trays, taken, pieces, circles, sizes, people, opened }: Props) {
  useWakeLock();
  const [who] = useWho(people);
  const { wrong, busy, send } = useSend();
  const newestFirst = [...steps].filter(({ laidAside }) => !laidAside).reverse();
  const asides = steps.filter(({ laidAside }) => laidAside);
  const [joint, setJoint] = useState<Joint>('screws');
  const card = (step: RemovalStep) => (
    <StepCard
      key={step.id}
      step={step}
      pieces={pieces}
      lots={lots.filter(({ stepId }) => stepId === step.id)}
      connections={connections.filter(({ stepId }) => stepId === step.id)}
      lastLot={lots[lots.length - 1] ?? null}
      trays={trays}
      size={step.photoId === null ? null : (sizes[step.photoId] ?? null)}
    />
  );
  const [inHand, ...earlier] = newestFirst;
  // What has just come off is in the hand: its photograph and fasteners are next. Opening the screen moves nothing.
  // Only what this device took off: a step of another device must not pull the page away under a hand.
  const [own, setOwn] = useState<string | null>(null);
  const isOwn = inHand !== undefined && inHand.id === own;
  useEffect(() => {
    if (isOwn) document.getElementById('in-hand')?.scrollIntoView();
  }, [isOwn, own]);
  useEffect(() => {
    if (opened) (document.getElementById(`step-${opened}`) ?? document.getElementById('in-hand'))?.scrollIntoView();
  }, [opened]);
  return (
    <>
      <WhoPart people={people} />
      {inHand && (
        <Part title={`In hand: ${inHand.position} ${inHand.name}`} id="in-hand">
          {card(inHand)}
          <Wrong words={wrong} />
          <OutOfReach
            cover={inHand.name}
            things={maybeOutOfReach(inHand, steps, blocks)}
            busy={busy}
            onTap={(firstId) =>
              send(
                () => block({ firstId, thenId: inHand.id, why: 'out of reach afterwards' }),
                () => say('It goes on before.'),
              )
            }
          />
        </Part>
      )}
      <Part title="Next thing off" id="next">
        {steps.length === 0 && (
          <EmptyPlace>Nothing is off yet. Begin with what comes off first, and give the screws of a piece a step of their own.</EmptyPlace>
        )}
        <AnswerForm
          draftKey={`off:${restorationId}`}
          fields={[
            { name: 'name', label: 'What comes off', hint: 'Lid screws, lid, shield, keyboard plug' },
            { name: 'joint', label: 'Held by', kind: 'choice', options: JOINT_OPTIONS, half: true },
            { name: 'way', label: 'Force or trick', optional: true, half: true, hint: 'Slides left, then up' },
            ...(WAY_ROUND.includes(joint)
              ? [{ name: 'round', label: 'Which way round', hint: 'Red to the edge, blue upper, bare side of the foil down, bar swings up' }]
              : []),
            { name: 'springs', label: 'Springs and small parts', optional: true },
          ]}
          initial={{ name: '', joint: 'screws', way: '', springs: '', round: '' }}
          submit="It is off"
          done="Off, and in the log."
          bench
          send={async (values) => {
            const answer = await off({ restorationId, by: who, ...values });
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
      <Part title="Off before you began" id="aside">
        {asides.map((step) => (
          <Text key={step.id} borderTopWidth="1px" borderColor="line" py="2">
            <b>{step.name}</b>
            {step.way && `: ${step.way}`}
          </Text>
        ))}
        <Fold summary="A cover or strip was off already" quiet={asides.length > 0}>
          <AnswerForm
            draftKey={`aside:${restorationId}`}
            fields={[
              { name: 'name', label: 'What was off', hint: 'Trim strip, battery door, drive cover', half: true },
              { name: 'way', label: 'Where it lies, how it goes on', half: true, optional: true },
            ]}
            initial={{ name: '', way: '' }}
            submit="It is laid aside"
            done="Listed. It is missed until it is on again."
            send={(values) => aside({ restorationId, ...values })}
          />
        </Fold>
      </Part>
      {earlier.length > 0 && (
        <Part title="Off before">
          {earlier.map((step) => (
            <Box key={step.id} id={`step-${step.id}`} borderTopWidth="1px" borderColor="line" scrollMarginTop="90px">
              <Fold
                summary={`${step.position} ${step.name}${countWords(lots.filter(({ stepId }) => stepId === step.id))}`}
                openAtFirst={step.id === opened}
              >
                {card(step)}
              </Fold>
            </Box>
          ))}
        </Part>
      )}
      <TrayPart lots={lots} steps={steps} trays={trays} taken={taken} />
      <Part title="On paper">
        <FilesPart restorationId={restorationId} lots={lots.length} />
      </Part>
      <BlockPart restorationId={restorationId} steps={steps} blocks={blocks} circles={circles} />
    </>
  );
}

function countWords(lots: readonly LotRow[]): string {
  const sum = lots.reduce((total, { count }) => total + count, 0);
  return sum === 0 ? '' : `, ${sum} ${sum === 1 ? 'fastener' : 'fasteners'}`;
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
