import { firstPowerFacts } from '@/data/firstPower';
import { findRestoration } from '@/data/restorations';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { FirstPowerForm } from './FirstPowerForm';

/** What intake has beside the sheet of every stage: the decision on the first power. */
export async function IntakeStage({ restorationId }: { restorationId: string }) {
  if (!(await findRestoration(restorationId))) return null;
  const facts = await firstPowerFacts(restorationId);
  return (
    <Part title="First power" id="power">
      <Fold summary={facts ? 'Look the decision over' : 'Switch it on, or not? Decide before it is plugged in'}>
        <FirstPowerForm restorationId={restorationId} facts={facts} />
      </Fold>
    </Part>
  );
}
