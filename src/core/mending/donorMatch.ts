import { deltaE00 } from '../colour/difference';
import { DARKER_PER_B } from '../colour/plasticScale';
import type { Lab } from '../colour/types';

/** Sizes of a part by which it is looked for. */
export const DONOR_SIZES = ['lengthMm', 'widthMm', 'heightMm', 'spacingMm'] as const;
export type DonorSize = (typeof DONOR_SIZES)[number];
type Sizes = Record<DonorSize, number | null>;

/** A part that sits on a donor. */
export interface DonorPart extends Sizes {
  what: string;
  lab: Lab | null;
}

/** What is looked for; `null`: not asked. */
export interface Wanted extends Sizes {
  what: string;
  toleranceMm: number;
  lab: Lab | null;
}

export interface Candidate<P extends DonorPart> {
  part: P;
  /** How far each size that was asked for is off, mm; those that nobody measured are left out. */
  offMm: Partial<Record<DonorSize, number>>;
  unmeasured: DonorSize[];
  /** How many of the words that were asked for name it, 0 to 1. */
  named: number;
  /** To the colour that it is to match; `null` where one of them was not measured. */
  deltaE00: number | null;
  /** The same once its yellow is brought down to that of the other, where it has more; `null` where that is no help. */
  brightened: number | null;
}

const wordsOf = (words: string): string[] => words.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

/** Words of one kind begin alike: cap and caps, hinge and hinged. */
const meets = (a: string, b: string) => a.startsWith(b) || b.startsWith(a);

/** A colour with its yellow brought down to so much: what fades grows lighter. */
const withYellow = ([l, a, b]: Lab, wanted: number): Lab => [l + DARKER_PER_B * (b - wanted), a, wanted];

/** Nearer than this by brightening, ΔE00, and it is worth saying. */
const A_HELP = 0.5;

/**
 * Parts of donors that may stand in for one that is needed, the best first: whose sizes fit within the tolerance, named
 * alike, and near in colour.
 *
 * @example
 * donorsFor([], { what: 'foot', lengthMm: 12, widthMm: null, heightMm: null, spacingMm: null, toleranceMm: 0.5, lab: null }); // []
 */
export function donorsFor<P extends DonorPart>(parts: readonly P[], wanted: Wanted): Candidate<P>[] {
  const asked = DONOR_SIZES.filter((size) => wanted[size] !== null);
  const words = wordsOf(wanted.what);
  return parts
    .flatMap((part): Candidate<P>[] => {
      const offMm: Candidate<P>['offMm'] = {};
      for (const size of asked) if (part[size] !== null) offMm[size] = Math.abs(part[size] - wanted[size]!);
      if (Object.values(offMm).some((off) => off > wanted.toleranceMm + 1e-9)) return [];
      const own = wordsOf(part.what);
      const named =
        words.length === 0 ? 1 : words.filter((one) => own.some((other) => meets(one, other))).length / words.length;
      if (named === 0) return [];
      const off = part.lab && wanted.lab ? deltaE00(part.lab, wanted.lab) : null;
      const after =
        part.lab && wanted.lab && part.lab[2] > wanted.lab[2]
          ? deltaE00(withYellow(part.lab, wanted.lab[2]), wanted.lab)
          : null;
      return [
        {
          ...{ part, offMm, named, deltaE00: off },
          unmeasured: asked.filter((size) => part[size] === null),
          brightened: off !== null && after !== null && after < off - A_HELP ? after : null,
        },
      ];
    })
    .sort(
      (a, b) =>
        a.unmeasured.length - b.unmeasured.length ||
        b.named - a.named ||
        (a.deltaE00 ?? Infinity) - (b.deltaE00 ?? Infinity) ||
        total(a.offMm) - total(b.offMm),
    );
}

const total = (offMm: Partial<Record<DonorSize, number>>) => Object.values(offMm).reduce((sum, off) => sum + off, 0);
