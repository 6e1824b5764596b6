import { countRows } from '@/data/table';
import type { StageRules } from '../stageRules';

export const keysRules: StageRules = {
  isBegun: async (restorationId) => (await countRows('keyboards', { restorationId })) > 0,
};
