import { marksToKeep } from '@/core/intake/marks';
import { Refusal } from '@/core/refusal';
import { findingsOf } from '@/data/findings';
import type { StageRules } from '../stageRules';

const marksOf = async (restorationId: string): Promise<string[]> => marksToKeep(await findingsOf(restorationId), null);

/** What was to be kept is looked at before finish ends. */
export const finishRules: StageRules = {
  goesOn: async (restorationId) => (await marksOf(restorationId)).length > 0,
  async mayBeMarked(restorationId, { state, reason }) {
    if (state !== 'done' || reason) return;
    const marks = await marksOf(restorationId);
    if (marks.length > 0)
      throw new Refusal(
        'reason',
        `Look at what was to be kept first: ${marks.join('; ')}. Say whether each is still there.`,
      );
  },
};
