import type { StageRules } from '../stageRules';
import { lastClosingTest, stateOf } from './state';
import { holdWords } from './words';
import { Refusal } from '@/core/refusal';
import { testState } from '@/core/runsheet/functionTest';
import { type Hold, closingHolds } from '@/core/teardown/closing';
import { lotWords } from '@/core/teardown/lots';
import { askedFor } from '@/data/findings';
import { findRows } from '@/data/table';
import { teardownOf } from '@/data/teardown';

/** Why the case may not be closed yet. A restoration without a recorded teardown has nothing to hold it. */
export async function holdsOf(restorationId: string, now: Date): Promise<Hold[]> {
  const { steps, lots, connections } = await teardownOf(restorationId);
  if (steps.length === 0) return [];
  const nameOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.name ?? '';
  const last = await lastClosingTest(restorationId);
  // A session that is planned cures nothing.
  const timers = await findRows('timers', { restorationId, endedAt: null, plannedTo: null });
  const asked = [...(await askedFor(restorationId)).values()].flat();
  return closingHolds(
    {
      lots: lots.map((lot) => ({ ...stateOf(lot), name: `${nameOf(lot.stepId)}, ${lotWords(lot)}` })),
      connections: connections.map(({ stepId, kind, tickedAt }) => ({
        name: `${nameOf(stepId)}, ${kind}`,
        ticked: tickedAt !== null,
      })),
      curing: timers.map(({ label, dueAt }) => ({ name: label, readyAt: new Date(dueAt) })),
      findings: asked.map(({ kind, words }) => [kind, words].filter(Boolean).join(', ')),
      functionTest: testState(last),
      stepsOff: steps.filter(({ onAt }) => onAt === null).map(({ name }) => name),
    },
    now,
  );
}

export const rebuildRules: StageRules = {
  async mayBeMarked(restorationId, { state }, now) {
    if (state !== 'done') return;
    const holds = await holdsOf(restorationId, now);
    if (holds.length > 0) throw new Refusal('state', `Do not close the case yet. ${holds.map(holdWords).join(' ')}`);
  },
};
