import { chooseRepair, waitOf } from '@/core/mending/repair/choose';
import type { Damage } from '@/core/mending/repair/damage';
import type { Takes } from '@/core/schedule/facts/facts';
import { MEND, type MendWay } from '@/core/mending/repair/ways';

/** Comes from elsewhere than the shelf. */
const NOT_USED_UP = new Set(['donor', 'part']);

/** Minutes of hands and of waiting of a repair, and what it uses up: by its way, else by the way that would be chosen. */
export function chooseWait(
  way: MendWay | null,
  damage: Damage,
): { handsMin: number; waitMin: number; takes: readonly Takes[] } {
  const chosen =
    way ??
    chooseRepair(damage, { school: 'strong and hidden', tried: [], stores: [], hourMinor: 0 }).options[0]?.way ??
    'leave';
  return {
    ...{ handsMin: Math.max(5, MEND[chosen].minutes), waitMin: waitOf(chosen) },
    takes: MEND[chosen].takes
      .filter((word) => !NOT_USED_UP.has(word))
      .map((word) => ({ stockId: null, word, amount: null })),
  };
}
