import { overlapOf } from './boxes';
import type { BoxMm } from './patch';

const boxOf = ({ x, y, w, h }: BoxMm) => ({ left: x, top: y, right: x + w, bottom: y + h });

/** How much a key that was found is one that is there: what both share of what they cover together. */
export const overlapMm = (a: BoxMm, b: BoxMm): number => overlapOf(boxOf(a), boxOf(b));
