import type { Stage } from '@/core/runsheet/stages';
import { brightenRules } from './brighten/rules';
import { finishRules } from './finish/rules';
import { intakeRules } from './intake/rules';
import { keysRules } from './keys/rules';
import { mendRules } from './mend/rules';
import { rebuildRules } from './rebuild/rules';
import type { StageRules } from './stageRules';
import { washRules } from './wash/rules';

/** The rules of every stage that has some. */
export const RULES: Partial<Record<Stage, StageRules>> = {
  intake: intakeRules,
  wash: washRules,
  brighten: brightenRules,
  keys: keysRules,
  mend: mendRules,
  finish: finishRules,
  rebuild: rebuildRules,
};
