import { powerDecided } from '@/data/firstPower';
import { functionTestsOf } from '@/data/functionTests';
import { keysTried } from '@/work/keys/tests';
import { holdsOf } from '@/work/rebuild/rules';
import { teardownOf } from '@/data/teardown';
import { ClosingPart } from './ClosingPart';
import { LeftoverPart } from './LeftoverPart';

/** What is still out, and the test before the case is closed. */
export async function CloseView({ restorationId, now }: { restorationId: string; now: Date }) {
  const [{ steps, lots }, tests, holds, power, keys] = await Promise.all([
    teardownOf(restorationId),
    functionTestsOf(restorationId),
    holdsOf(restorationId, now),
    powerDecided([restorationId]),
    keysTried(restorationId),
  ]);
  return (
    <>
      <ClosingPart
        restorationId={restorationId}
        holds={holds}
        tests={tests}
        keys={keys}
        power={power.get(restorationId) ?? null}
      />
      <LeftoverPart lots={lots} names={Object.fromEntries(steps.map(({ id, name }) => [id, name]))} />
    </>
  );
}
