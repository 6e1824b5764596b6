import { addBit, countWithout, hasBit, noBits, type Bits } from './bits';
import type { Part } from './part';

/**
 * Proves how many inversions at least the steps that are not yet placed will bring.
 *
 * Two kinds are counted, each pair of steps at most once:
 * - a pair whose later step must be on before the earlier one;
 * - where `late` must be on before `soon` and a third step lies between them in the plain reverse, that third
 *   cannot stand right to both: it comes after `soon` late, or before `late` early, or both.
 * The second kind is packed greedily into pairs that nothing has counted yet.
 */
export class InversionBound {
  /** Pairs counted in the running call: for each step, the later ones. */
  private readonly counted: Bits[];
  /** Steps that some later one must precede. */
  private readonly soon: number[];
  /** Words looked at in one call, at most. */
  readonly effort: number;
  /** Later steps that a step between could still be counted with. */
  private readonly free: Bits;

  constructor(private readonly part: Part) {
    this.counted = Array.from({ length: part.size }, () => noBits(part.size));
    this.free = noBits(part.size);
    this.soon = part.early.flatMap((bits, step) => (bits.some((word) => word !== 0) ? [step] : []));
    this.effort = part.size * this.free.length * (this.soon.length + 1);
  }

  /** @param placed steps whose inversions are counted already */
  atLeast(placed: Bits = noBits(this.part.size)): number {
    const { size, early } = this.part;
    const { counted, free } = this;
    const open = this.soon.filter((step) => !hasBit(placed, step));
    let count = 0;
    for (const step of open) {
      count += countWithout(early[step]!, placed);
      counted[step]!.fill(0);
    }
    for (let between = 0; between < size; between++) {
      if (hasBit(placed, between) || !(open[0]! < between)) continue;
      const lowest = between >>> 5;
      for (let w = lowest; w < free.length; w++) free[w] = ~(placed[w]! | early[between]![w]!);
      // Only what comes after it in the plain reverse.
      free[lowest]! &= ~((2 << (between & 31)) - 1);
      for (const soon of open) {
        if (soon >= between) break;
        if (hasBit(early[soon]!, between) || hasBit(counted[soon]!, between)) continue;
        const lates = early[soon]!;
        for (let w = free.length - 1; w >= lowest; w--) {
          const found = free[w]! & lates[w]!;
          if (found === 0) continue;
          const bit = 31 - Math.clz32(found);
          free[w]! &= ~(1 << bit);
          // The pair of `between` and its later one is met again when that one is between.
          addBit(counted[between]!, w * 32 + bit);
          addBit(counted[soon]!, between);
          count++;
          break;
        }
      }
    }
    return count;
  }
}
