import type { Stage } from '@/core/runsheet/stages';

/** A photograph of the machine, as far as marking needs it. */
export interface PhotoToMark {
  id: string;
  originalName: string;
  stage: Stage;
  /** px, upright. */
  width: number;
  height: number;
}
