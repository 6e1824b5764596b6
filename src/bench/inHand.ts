import { lastStageOf } from '@/data/log';
import { restorationsPage } from '@/data/restorations';
import { stagesOf } from '@/data/stages';

/**
 * The bench screen of the restoration in hand: the one that was worked on last and is not closed, at the stage that
 * was worked on if it still is open, else at its next. The bench where there is none.
 */
export async function inHand(): Promise<string> {
  const { restorations } = await restorationsPage('open', '', 0, 1);
  const [last] = restorations;
  if (!last) return '/';
  const [stages, worked] = await Promise.all([stagesOf(last.id), lastStageOf(last.id)]);
  const stage =
    stages.find((row) => row.stage === worked && row.state === 'open') ?? stages.find(({ state }) => state === 'open');
  return `/restorations/${last.id}${stage ? `/${stage.stage}` : ''}`;
}
