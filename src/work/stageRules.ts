import type { Open } from '@/core/materials/mixing';
import type { Stage, StageState } from '@/core/runsheet/stages';

/** How a stage is marked on the run sheet. */
export interface Mark {
  stage: Stage;
  state: StageState;
  reason: string | null;
}

/** What a stage asks of the rest of the work, and what follows from it. A stage says only what it has to say. */
export interface StageRules {
  /** What it has open on the bench, in every restoration. */
  onBench?(): Promise<readonly Open[]>;
  /** Whether something was done there that the ledger does not tell of. */
  isBegun?(restorationId: string): Promise<boolean>;
  /** What keeps a piece from a treatment of a kind for now, in words; `null` where nothing does. */
  sparesPiece?(
    place: { restorationId: string; pieceId: string | null },
    now: Date,
    kind: string,
  ): Promise<string | null>;
  /** Whether it goes on when its last finding is closed. */
  goesOn?(restorationId: string): Promise<boolean>;
  /** @throws Refusal with what keeps it from being marked so */
  mayBeMarked?(restorationId: string, mark: Mark, now: Date): Promise<void>;
  /** What follows once it is marked. @returns how other stages are marked with it */
  follows?(restorationId: string, mark: Mark, now: Date): Promise<readonly Mark[]>;
}
