import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { powerDecided } from '@/data/firstPower';
import { functionTestsOf } from '@/data/functionTests';
import { listPeople } from '@/data/people';
import { photosOf } from '@/data/photos/store';
import { holdsOf } from '@/data/rebuild';
import { teardownOf } from '@/data/teardown';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { ClosingPart } from './ClosingPart';
import { LeftoverPart } from './LeftoverPart';
import { NextOn } from './NextOn';
import { WayBack } from './WayBack';

interface Props {
  restorationId: string;
}

const wayOf = ({ steps, blocks }: Awaited<ReturnType<typeof teardownOf>>) =>
  rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );

function NothingOff({ restorationId }: Props) {
  return (
    <Part title="The way back">
      <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/teardown`}>Go to teardown</LinkButton>}>
        Nothing was taken off on record, so there is no way back to compute. Write down what came off, even afterwards, or end this stage by hand.
      </EmptyPlace>
    </Part>
  );
}

/** Whether everything is on and nothing holds the case open. */
export async function rebuildFinished(restorationId: string, now: Date): Promise<boolean> {
  const { steps } = await teardownOf(restorationId);
  return steps.every(({ onAt }) => onAt !== null) && (await holdsOf(restorationId, now)).length === 0;
}

/** The next thing on. */
export async function NextOnView({ restorationId }: Props) {
  const [teardown, photos, people] = await Promise.all([teardownOf(restorationId), photosOf(restorationId), listPeople()]);
  if (teardown.steps.length === 0) return <NothingOff restorationId={restorationId} />;
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return <NextOn restorationId={restorationId} {...teardown} way={wayOf(teardown)} sizes={sizes} people={people.map(({ name }) => name)} />;
}

/** The way back, computed from what came off and what must be on before what. */
export async function WayView({ restorationId }: Props) {
  const teardown = await teardownOf(restorationId);
  if (teardown.steps.length === 0) return <NothingOff restorationId={restorationId} />;
  return <WayBack steps={teardown.steps} blocks={teardown.blocks} way={wayOf(teardown)} />;
}

/** What is still out, and the test before the case is closed. */
export async function CloseView({ restorationId, now }: Props & { now: Date }) {
  const [{ steps, lots }, tests, holds, power] = await Promise.all([
    teardownOf(restorationId),
    functionTestsOf(restorationId),
    holdsOf(restorationId, now),
    powerDecided([restorationId]),
  ]);
  return (
    <>
      <ClosingPart restorationId={restorationId} holds={holds} tests={tests} power={power.get(restorationId) ?? null} />
      <LeftoverPart lots={lots} names={Object.fromEntries(steps.map(({ id, name }) => [id, name]))} />
    </>
  );
}
