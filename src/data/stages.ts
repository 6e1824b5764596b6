import { STAGES, type Stage, type StageState } from '@/core/runsheet/stages';
import { appendLog } from './log';
import { endPlanned } from './planned';
import type { StageRow } from './rows';
import { addRow, changeRow, findRows } from './table';

/** In the order of work. */
export const inOrder = (a: StageRow, b: StageRow): number => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage);

/** The nine stages in the order of work. */
export async function stagesOf(restorationId: string): Promise<StageRow[]> {
  return (await stagesOfAll([restorationId])).get(restorationId)!;
}

/** Those of several restorations. */
export async function stagesOfAll(restorationIds: string[]): Promise<Map<string, StageRow[]>> {
  const rows = await findRows('stages', { restorationId: restorationIds });
  return new Map(restorationIds.map((id) => [id, rows.filter((row) => row.restorationId === id).sort(inOrder)]));
}

/** The nine stages of a new restoration, all open. */
export async function addStages(restorationId: string): Promise<void> {
  for (const stage of STAGES)
    await addRow('stages', { restorationId, stage, state: 'open', settledAt: null, reason: null });
}

/** Marks a stage within a change; the restoration is closed when none is open any more, and open again when one is. */
export async function setStage(
  {
    restorationId,
    stage,
    state,
    reason,
  }: { restorationId: string; stage: Stage; state: StageState; reason: string | null },
  now: Date,
): Promise<void> {
  await changeRow(
    'stages',
    { restorationId, stage },
    { state, reason, settledAt: state === 'open' ? null : now.toISOString() },
  );
  // What was planned is given up with its stage, whatever settled that.
  if (stage === 'brighten' && state !== 'open') await endPlanned({ restorationId }, null, now);
  const rest = await findRows('stages', { restorationId, state: 'open' });
  await changeRow('restorations', { id: restorationId }, { closedAt: rest.length === 0 ? now.toISOString() : null });
  const words = { open: 'opened again', done: 'done', 'not needed': 'not needed' }[state];
  await appendLog({ restorationId, stage, kind: 'stage', words: `Stage ${words}${reason ? `: ${reason}` : ''}.` }, now);
}
