'use client';

import { Box, Text } from '@chakra-ui/react';
import type { ConnectionRow, LotRow, Piece, RemovalStep, Tray } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { addLaidAside } from './actions';
import { StepCard } from './StepCard';

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  trays: readonly Tray[];
  pieces: readonly Piece[];
  sizes: Readonly<Record<string, { width: number; height: number }>>;
  /** The step that a label leads to. */
  opened: string | null;
}

/** Everything that is off, the newest first; each step opens as its card. */
export function OffPart({ restorationId, steps, lots, connections, trays, pieces, sizes, opened }: Props) {
  const off = steps.filter(({ laidAside }) => !laidAside).reverse();
  const asides = steps.filter(({ laidAside }) => laidAside);
  return (
    <>
      <Part
        title={
          off.length === 0 ? 'Nothing is off yet' : `${off.length} ${off.length === 1 ? 'thing is' : 'things are'} off`
        }
      >
        {off.length === 0 && (
          <EmptyPlace>What comes off is written down under Off next, one step after the other.</EmptyPlace>
        )}
        {off.map((step) => (
          <Box key={step.id} id={`step-${step.id}`} borderTopWidth="1px" borderColor="line">
            <Fold
              summary={`${step.position} ${step.name}${countWords(lots.filter(({ stepId }) => stepId === step.id))}`}
              openAtFirst={step.id === opened}
            >
              <StepCard
                step={step}
                pieces={pieces}
                lots={lots.filter(({ stepId }) => stepId === step.id)}
                connections={connections.filter(({ stepId }) => stepId === step.id)}
                lastLot={lots[lots.length - 1] ?? null}
                trays={trays}
                size={step.photoId === null ? null : (sizes[step.photoId] ?? null)}
              />
            </Fold>
          </Box>
        ))}
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
            send={(values) => addLaidAside({ restorationId, ...values })}
          />
        </Fold>
      </Part>
    </>
  );
}

function countWords(lots: readonly LotRow[]): string {
  const sum = lots.reduce((total, { count }) => total + count, 0);
  return sum === 0 ? '' : `, ${sum} ${sum === 1 ? 'fastener' : 'fasteners'}`;
}
