import { chooseRepair, waitOf } from '@/core/mending/repair/choose';
import type { Damage } from '@/core/mending/repair/damage';
import { MEND, type MendWay } from '@/core/mending/repair/ways';

/** Minutes of hands and of waiting of a repair: by its way, else by the way that would be chosen. */
export function chooseWait(way: MendWay | null, damage: Damage): { handsMin: number; waitMin: number } {
  const chosen =
    way ??
    chooseRepair(damage, { school: 'strong and hidden', tried: [], stores: [], hourMinor: 0 }).options[0]?.way ??
    'leave';
  return { handsMin: Math.max(5, MEND[chosen].minutes), waitMin: waitOf(chosen) };
}
