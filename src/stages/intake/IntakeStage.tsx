import { powerDecided } from '@/data/firstPower';
import { functionTestsOf } from '@/data/functionTests';
import { findRestoration } from '@/data/restorations';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { PowerBanner } from '@/ui/PowerBanner';
import { FirstPowerForm } from './FirstPowerForm';
import { MachineForm } from './MachineForm';
import { TestBefore } from './TestBefore';

/** What intake has beside the survey and the sheet of every stage: where it came from, the first power, the first test. */
export async function IntakeStage({ restorationId }: { restorationId: string }) {
  const restoration = await findRestoration(restorationId);
  if (!restoration) return null;
  const [decided, tests] = await Promise.all([powerDecided([restorationId]), functionTestsOf(restorationId)]);
  const power = decided.get(restorationId) ?? null;
  const { source, claim, packing, condition } = restoration;
  const known = [source && `from ${source}`, claim && `claimed: ${claim}`, packing && `packed: ${packing}`, condition].filter(Boolean);
  return (
    <>
      <Part title="Where it came from" id="machine">
        {known.map((words) => (
          <p key={words}>{words}</p>
        ))}
        <Fold summary={known.length > 0 ? 'Correct it' : 'Write down what is known'}>
          <MachineForm restoration={restoration} />
        </Fold>
      </Part>
      <Part title="First power" id="power">
        <Fold summary={power ? 'Decide it anew' : 'Switch it on, or not? Decide before it is plugged in'}>
          <FirstPowerForm restorationId={restorationId} facts={power?.facts ?? null} />
        </Fold>
      </Part>
      <Part title="Function test before the work" id="test">
        <PowerBanner decided={power} />
        <TestBefore restorationId={restorationId} tests={tests} />
      </Part>
    </>
  );
}
