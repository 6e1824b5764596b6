import { mendedOf } from '@/data/keys';
import { getWorkshop } from '@/data/workshop';
import { triedWays } from '@/work/keys/repairs';
import { MendPart } from './MendPart';
import { foundOn } from './found';
import { toMend } from './mending';
import { boardView, lastSeen } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** What was found, mended. */
export async function MendScreen({ restorationId, board: asked }: Asked) {
  const [{ boards, board, tests, readings }, { timeZone, currency, hourlyRateMinor }, tried] = await Promise.all([
    boardView(restorationId, asked),
    getWorkshop(),
    triedWays(),
  ]);
  if (!board) return <Start restorationId={restorationId} />;
  const test = tests.find(({ seen }) => Object.keys(seen).length > 0);
  const found = foundOn(board, lastSeen(tests), readings, test?.together);
  const faults = toMend(found?.suspicions[0]?.faults ?? [], board, tried, hourlyRateMinor);
  return (
    <MendPart
      key={board.id}
      {...{ restorationId, boards, board, faults, currency, timeZone }}
      {...await mendedOf(board.id)}
    />
  );
}
