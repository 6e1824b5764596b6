'use client';

import { Box, Text } from '@chakra-ui/react';
import { viewHref } from '@/core/runsheet/views';
import { closingScrews } from '@/core/teardown/closing';
import { maybeOutOfReach } from '@/core/teardown/reach';
import type { RebuildOrder } from '@/core/teardown/rebuildOrder';
import type { BlockRow, ConnectionRow, LotRow, RemovalStep } from '@/data/rows';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { useWakeLock } from '@/ui/useWakeLock';
import { WhoPart } from '@/ui/WhoPart';
import { Circles } from './Circles';
import { StepOn } from './StepOn';
import { passedBy } from './wayBack';

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  blocks: readonly BlockRow[];
  way: RebuildOrder;
  sizes: Readonly<Record<string, { width: number; height: number }>>;
  people: readonly string[];
}

/** The bench screen of the way back: the next thing on, large. */
export function NextOn({ restorationId, steps, lots, connections, blocks, way, sizes, people }: Props) {
  useWakeLock();
  if (way.circles.length > 0) return <Circles steps={steps} circles={way.circles} />;
  const order = way.order.map((id) => steps.find((step) => step.id === id)!);
  const next = order.find(({ onAt }) => onAt === null);
  const done = order.filter(({ onAt }) => onAt !== null).length;
  if (!next)
    return (
      <Part title="Everything is on" id="next">
        <Text>All {steps.length} steps are back. Test it, then end the stage.</Text>
        <MainAction>
          <LinkButton href={viewHref(restorationId, 'rebuild', 'close')} look="go" bench>
            Test and close
          </LinkButton>
        </MainAction>
      </Part>
    );
  return (
    <>
      <WhoPart people={people} />
      <Part title={`Next thing on: ${next.name}`} id="next" aside={`${done} of ${order.length} on`}>
        <Box height="8px" bg="line" mb="3" aria-hidden>
          <Box height="8px" bg="work" style={{ width: `${(100 * done) / order.length}%` }} />
        </Box>
        {closingScrews(steps).includes(next.id) && (
          <Text borderLeftWidth="8px" borderColor="amber" pl="3" mb="3" fontWeight="650">
            These close the case: make the function test before they go in.
          </Text>
        )}
        <StepOn
          key={next.id}
          step={next}
          lots={lots.filter(({ stepId }) => stepId === next.id)}
          connections={connections.filter(({ stepId }) => stepId === next.id)}
          early={passedBy(next.id, way, steps, blocks)}
          size={next.photoId === null ? null : (sizes[next.photoId] ?? null)}
          people={people}
          stillOff={maybeOutOfReach(next, steps, blocks).filter(({ onAt }) => onAt === null)}
        />
      </Part>
    </>
  );
}
