import { findRows } from '@/data/table';
import { listRestorations } from '@/data/restorations';
import { stagesOf } from '@/data/stages';

/**
 * The bench screen of the restoration in hand: the one that was worked on last and is not closed, at the stage that
 * was worked on if it still is open, else at its next. The bench where there is none.
 */
export async function inHand(): Promise<string> {
  const open = (await listRestorations()).filter(({ closedAt }) => closedAt === null);
  const entries = await findRows('log', { restorationId: open.map(({ id }) => id) }, [['id', 'DESC']]);
  const last = entries[0];
  if (!last?.restorationId) return '/';
  const stages = await stagesOf(last.restorationId);
  const worked = entries.find(({ restorationId, stage }) => restorationId === last.restorationId && stage !== null)?.stage;
  const stage = stages.find((row) => row.stage === worked && row.state === 'open') ?? stages.find(({ state }) => state === 'open');
  return `/restorations/${last.restorationId}${stage ? `/${stage.stage}` : ''}`;
}
