import { ASKED_STAGES, askedOf, type Asking } from '@/core/intake/proposals';
import { aimsOf, findingsOf } from '@/data/findings';
import { stagesOf } from '@/data/stages';
import { measuredYellows } from '@/data/yellows';
import type { Mark, StageRules } from '../stageRules';

/** Stages that no finding asks for, and nothing that was measured, need nobody once the intake is done. */
async function unasked(restorationId: string): Promise<readonly Mark[]> {
  const findings = await findingsOf(restorationId);
  if (findings.length === 0) return [];
  const asking = [...findings, ...(await measuredYellows(restorationId))];
  const asked = askedOf<{ pieceId: string | null } & Asking>(asking, await aimsOf(restorationId));
  return (await stagesOf(restorationId))
    .filter(({ stage, state }) => state === 'open' && ASKED_STAGES.includes(stage) && !asked.has(stage))
    .map(({ stage }) => ({ stage, state: 'not needed', reason: 'no finding asks for it' }));
}

export const intakeRules: StageRules = {
  follows: async (restorationId, { state }) => (state === 'done' ? unasked(restorationId) : []),
};
