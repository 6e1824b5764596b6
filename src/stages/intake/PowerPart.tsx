import { powerDecided } from '@/data/firstPower';
import { Part } from '@/ui/layout';
import { PowerBanner } from '@/ui/PowerBanner';
import { FirstPowerForm } from './FirstPowerForm';

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
