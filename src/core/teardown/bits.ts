/** Sets of steps as bits, 32 to a word: what the search for an order does most is ask whether one holds another. */
export type Bits = Uint32Array;

/** Room for so many steps, none of them in it. */
export const noBits = (size: number): Bits => new Uint32Array(Math.max(1, Math.ceil(size / 32)));
/** Whether step `i` is in it. */
export const hasBit = (bits: Bits, i: number): boolean => ((bits[i >>> 5]! >>> (i & 31)) & 1) === 1;

/** Puts step `i` into it. */
export function addBit(bits: Bits, i: number): void {
  bits[i >>> 5]! |= 1 << (i & 31);
}

/** Puts all of the others into it. */
export function addBits(bits: Bits, others: Bits): void {
  for (let w = 0; w < bits.length; w++) bits[w]! |= others[w]!;
}

/** Whether every bit of `part` is in `whole`. */
export function holdsAll(whole: Bits, part: Bits): boolean {
  for (let w = 0; w < part.length; w++) if ((part[w]! & ~whole[w]!) !== 0) return false;
  return true;
}

function popCount(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** How many bits are in `a` and not in `b`. */
export function countWithout(a: Bits, b: Bits): number {
  let count = 0;
  for (let w = 0; w < a.length; w++) count += popCount((a[w]! & ~b[w]!) >>> 0);
  return count;
}
