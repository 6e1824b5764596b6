import { mendedOf, ownLimitsOf } from '@/data/keys';
import { listStock } from '@/data/stock';
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
  const [{ boards, board, tests, readings }, { timeZone, currency, hourlyRateMinor }, tried, stores] =
    await Promise.all([boardView(restorationId, asked), getWorkshop(), triedWays(), listStock()]);
  if (!board) return <Start restorationId={restorationId} />;
  const test = tests.find(({ seen }) => Object.keys(seen).length > 0);
  const seen = lastSeen(tests);
  const did = Object.values(seen);
  const found = foundOn(board, seen, readings, test?.together);
  const faults = toMend(
    found?.suspicions[0]?.faults ?? [],
    board,
    tried,
    hourlyRateMinor,
    stores.filter(({ left }) => left === null || left > 0),
  );
  return (
    <MendPart
      key={board.id}
      {...{ restorationId, boards, board, faults, currency, timeZone }}
      allWork={did.length > 0 && did.every((one) => one === 'works' || one === 'unknown')}
      ownLimits={await ownLimitsOf(board.kind)}
      {...await mendedOf(board.id)}
    />
  );
}
