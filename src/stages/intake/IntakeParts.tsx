import { functionTestsOf } from '@/data/functionTests';
import { powerDecided } from '@/data/firstPower';
import { needRow } from '@/data/table';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { PowerBanner } from '@/ui/PowerBanner';
import { FirstPowerForm } from './FirstPowerForm';
import { MachineForm } from './MachineForm';
import { TestBefore } from './TestBefore';

/** Where the machine came from. */
export async function MachinePart({ restorationId }: { restorationId: string }) {
  const restoration = await needRow('restorations', restorationId);
  const { source, claim, packing, condition } = restoration;
  const known = [source && `from ${source}`, claim && `claimed: ${claim}`, packing && `packed: ${packing}`, condition].filter(Boolean);
  return (
    <Part title="Where it came from" id="machine">
      {known.map((words) => (
        <p key={words}>{words}</p>
      ))}
      <Fold summary={known.length > 0 ? 'Correct it' : 'Write down what is known'} openAtFirst={known.length === 0}>
        <MachineForm restoration={restoration} />
      </Fold>
    </Part>
  );
}

/** Whether to switch it on for the first time. */
export async function PowerPart({ restorationId }: { restorationId: string }) {
  const decided = (await powerDecided([restorationId])).get(restorationId) ?? null;
  return (
    <Part title="Switch it on, or not?" id="power">
      <PowerBanner decided={decided} />
      <FirstPowerForm restorationId={restorationId} facts={decided?.facts ?? null} />
    </Part>
  );
}

/** The function test before the work. */
export async function TestPart({ restorationId }: { restorationId: string }) {
  const [decided, tests] = await Promise.all([powerDecided([restorationId]), functionTestsOf(restorationId)]);
  return (
    <Part title="Function test before the work" id="test">
      <PowerBanner decided={decided.get(restorationId) ?? null} href={`/restorations/${restorationId}/intake/power`} />
      <TestBefore restorationId={restorationId} tests={tests} />
    </Part>
  );
}
