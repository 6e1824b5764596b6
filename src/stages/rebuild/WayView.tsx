import { NothingOff } from './NothingOff';
import { wayOf } from './way';
import { teardownOf } from '@/data/teardown';
import { WayBack } from './WayBack';

/** The way back, computed from what came off and what must be on before what. */
export async function WayView({ restorationId }: { restorationId: string }) {
  const teardown = await teardownOf(restorationId);
  if (teardown.steps.length === 0) return <NothingOff restorationId={restorationId} />;
  return <WayBack steps={teardown.steps} blocks={teardown.blocks} way={wayOf(teardown)} />;
}
