import { isSameKind, looksLike, outstanding, type Lot, type LotState } from './lots';

/** A fastener left over on the bench, as far as one can see. */
export type Leftover = Pick<Lot, 'drive' | 'head' | 'diameterMm' | 'lengthMm' | 'shank'>;

export interface LotOfStep extends LotState {
  lotId: string;
  stepId: string;
}

export interface Origin {
  lotId: string;
  stepId: string;
  /** `same`: this very kind; `looks alike`: only the length differs; `swapped`: its hole is full, perhaps of another. */
  how: 'same' | 'looks alike' | 'swapped';
}

const asLot = (leftover: Leftover): Lot => ({ ...leftover, thing: 'screw', count: 1, fate: 'kept' });
const RANK = { same: 0, 'looks alike': 1, swapped: 2 } as const;

/** Steps that a leftover can have come from, the likeliest first. */
export function originsOf(leftover: Leftover, lots: readonly LotOfStep[]): Origin[] {
  return lots
    .flatMap((state): Origin[] => {
      const { lotId, stepId, lot } = state;
      if (!looksLike(lot, asLot(leftover))) return [];
      const kind = isSameKind(lot, asLot(leftover));
      if (outstanding(state) > 0) return [{ lotId, stepId, how: kind ? 'same' : 'looks alike' }];
      return kind ? [{ lotId, stepId, how: 'swapped' }] : [];
    })
    .sort((a, b) => RANK[a.how] - RANK[b.how]);
}
