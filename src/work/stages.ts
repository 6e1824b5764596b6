import { ASKED_STAGES } from '@/core/intake/proposals';
import { Refusal } from '@/core/refusal';
import { STAGES, type Stage, type StageState } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { askedFor } from '@/data/findings';
import { appendLog } from '@/data/log';
import { stagesOf } from '@/data/stages';
import { addRow, changeRow, countRows, findRows, needRow } from '@/data/table';
import { RULES } from './rules';
import type { Mark } from './stageRules';

/** The nine stages of a new restoration, all open. */
export async function addStages(restorationId: string): Promise<void> {
  for (const stage of STAGES)
    await addRow('stages', { restorationId, stage, state: 'open', settledAt: null, reason: null });
}

/** Whether anything was done at a stage. */
const isBegun = async (restorationId: string, stage: Stage): Promise<boolean> =>
  (await countRows('ledger', { restorationId, stage })) > 0 ||
  ((await RULES[stage]?.isBegun?.(restorationId)) ?? false);

const MARK_WORDS: Record<StageState, string> = { open: 'opened again', done: 'done', 'not needed': 'not needed' };

/** Marks a stage within a change; the restoration is closed when none is open any more, and open again when one is. */
async function markStage(restorationId: string, mark: Mark, now: Date): Promise<void> {
  const { stage, state, reason } = mark;
  const settledAt = state === 'open' ? null : now.toISOString();
  await changeRow('stages', { restorationId, stage }, { state, reason, settledAt });
  const rest = await countRows('stages', { restorationId, state: 'open' });
  await changeRow('restorations', { id: restorationId }, { closedAt: rest === 0 ? now.toISOString() : null });
  const words = `Stage ${MARK_WORDS[state]}${reason ? `: ${reason}` : ''}.`;
  await appendLog({ restorationId, stage, kind: 'stage', words }, now);
  for (const next of (await RULES[stage]?.follows?.(restorationId, mark, now)) ?? [])
    // What was begun is not called needless by itself.
    if (!(await isBegun(restorationId, next.stage))) await markStage(restorationId, next, now);
}

/** Opens the settled stages that an open finding asks for. */
export async function reopenAsked(restorationId: string, now: Date): Promise<void> {
  const asked = await askedFor(restorationId);
  for (const { stage, state } of await stagesOf(restorationId)) {
    const kinds = (asked.get(stage) ?? []).map(({ kind }) => kind);
    if (state !== 'open' && kinds.length > 0)
      await markStage(
        restorationId,
        { stage, state: 'open', reason: `a finding asks for it, ${kinds.join(', ')}` },
        now,
      );
  }
}

/** A stage ends by itself with its last finding, unless something goes on there or an answer is waited for. */
export async function endWithItsFindings(restorationId: string, stage: Stage, now: Date): Promise<void> {
  const rest = (await askedFor(restorationId)).get(stage) ?? [];
  const row = (await stagesOf(restorationId)).find((known) => known.stage === stage);
  if (rest.length > 0 || row?.state !== 'open') return;
  if ((await countRows('requests', { restorationId, stage, answer: null })) > 0) return;
  if (await RULES[stage]?.goesOn?.(restorationId)) return;
  await markStage(restorationId, { stage, state: 'done', reason: 'its findings are closed' }, now);
}

/** @throws Refusal while a finding asks for the stage, or its owner has not answered */
async function nothingAsks(restorationId: string, stage: Stage): Promise<void> {
  const open = (await askedFor(restorationId)).get(stage) ?? [];
  if (open.length > 0)
    throw new Refusal(
      'state',
      `Findings still ask for it: ${open.map(({ kind, words }) => [kind, words].filter(Boolean).join(', ')).join('; ')}. Close each: done, left on purpose or not possible.`,
    );
  const waiting = await findRows('requests', { restorationId, stage, answer: null });
  if (waiting.length > 0)
    throw new Refusal('state', `The owner has not answered yet: ${waiting.map(({ what }) => what).join('; ')}.`);
}

/** Marks a stage done, not needed (with a reason) or open again. @throws Refusal with everything that holds it */
export async function settleStage(
  restorationId: string,
  stage: Stage,
  state: StageState,
  reason: string | null,
  now: Date,
): Promise<void> {
  if (state === 'not needed' && !reason)
    throw new Refusal('reason', 'Say in a few words why this stage is not needed; it goes into the record.');
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    if (state !== 'open' && ASKED_STAGES.includes(stage)) await nothingAsks(restorationId, stage);
    const mark = { stage, state, reason };
    await RULES[stage]?.mayBeMarked?.(restorationId, mark, now);
    await markStage(restorationId, mark, now);
  });
}
