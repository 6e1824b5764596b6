import { Refusal } from '@/core/refusal';
import { countRows } from '@/data/table';
import type { StageRules } from '../stageRules';
import { keysHeld } from './caps';

export const keysRules: StageRules = {
  isBegun: async (restorationId) => (await countRows('keyboards', { restorationId })) > 0,
  async mayBeMarked(restorationId, { state }) {
    if (state !== 'done') return;
    const held = await keysHeld(restorationId);
    if (held.length > 0) throw new Refusal('state', `The keys are not done. ${held.join(' ')}`);
  },
};
