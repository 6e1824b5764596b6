import { functionTestsOf } from '@/data/functionTests';
import { powerDecided } from '@/data/firstPower';
import { keysTried } from '@/work/keys/tests';
import { Part } from '@/ui/layout';
import { PowerBanner } from '@/ui/PowerBanner';
import { TestBefore } from './TestBefore';

/** The function test before the work. */
export async function TestPart({ restorationId }: { restorationId: string }) {
  const [decided, tests, keys] = await Promise.all([
    powerDecided([restorationId]),
    functionTestsOf(restorationId),
    keysTried(restorationId),
  ]);
  return (
    <Part title="Function test before the work" id="test">
      <PowerBanner decided={decided.get(restorationId) ?? null} href={`/restorations/${restorationId}/intake/power`} />
      <TestBefore restorationId={restorationId} tests={tests} keys={keys} />
    </Part>
  );
}
