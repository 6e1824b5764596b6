import { bathVolume, COVER_MM } from '../peroxide/bathVolume';
import { creamAmount } from '../peroxide/cream';
import { peroxideDilution } from '../peroxide/dilution';
import { powderFor } from '../peroxide/percarbonate';
import { shareOfPrice } from '../ledger/left';
import type { PieceSize, TubSize } from '../size';
import { FILM_MM, POOL_MM, PURE_POWDER_PERCENT, fitsIn, surfaceCm2, usualSolutionL } from './amounts';
import type { School } from './schools';

/** A bottle, tube or tub of powder of the stores. */
export interface OwnStock {
  id: string;
  name: string;
  kind: 'cream' | 'liquid' | 'powder';
  /** Peroxide by weight; of powder what it sets free. */
  percentWW: number;
  sizeMl: number | null;
  priceMinor: number | null;
  /** What is left in it, mL or g; `null` where nobody knows. */
  left: number | null;
}

/** A tub, sink or box that was measured inside. */
export interface OwnTub extends TubSize {
  id: string;
  name: string;
}

/** Something that has to be bought for a way. */
export type Need =
  | { kind: 'peroxide'; medium: School['medium']; leastPercent: number; mostPercent: number | null }
  | { kind: 'more of it'; name: string; medium: School['medium']; amount: number }
  | { kind: 'box with a lid' | 'tub'; lengthMm: number; widthMm: number; heightMm: number }
  | { kind: 'lamp' };

/** What is taken out of a bottle of the stores, mL, or g of powder. */
interface Taken {
  name: string;
  medium: School['medium'];
  amount: number;
  /** Of cream; a bath stands through all sessions. */
  coats: number;
  /** The tub that it goes into, where one was measured. */
  tub: string | null;
}

/** What a way takes for a piece, out of which bottle and in which tub: the comparison and the plan both begin with it. */
export interface Supply {
  stockId: string | null;
  tubId: string | null;
  /** Solution, L; `null` for cream. */
  litres: number | null;
  /** `null` where the stores hold nothing for it. */
  takes: Taken | null;
  /** Of the workshop's own stock; `null` where it has none or its price is not known. */
  costMinor: number | null;
  /** What would have to be bought for it. */
  buy: Need[];
}

/** Solution that a way takes in a tub or box: over the piece, or a pool under it. */
export const solutionIn = ({ solution }: School, tub: TubSize, { heightMm }: PieceSize): number =>
  bathVolume(
    { shape: 'box', lengthMm: tub.lengthMm, widthMm: tub.widthMm, heightMm: tub.depthMm },
    [],
    solution === 'pool' ? POOL_MM : heightMm + COVER_MM,
  ).solutionL;

/** Whether a way is done in a tub or box. */
export const takesTub = ({ medium, solution }: School): boolean => medium !== 'cream' && solution !== 'bag';

/** Cream goes on as it is, liquid is thinned, powder is all one. */
const toBuy = ({ medium, usualPercentWW, percentRangeWW: [weak, strong] }: School): Need => ({
  kind: 'peroxide',
  medium,
  leastPercent: medium === 'cream' ? weak : medium === 'liquid' ? usualPercentWW : 0,
  mostPercent: medium === 'cream' ? strong : null,
});

/**
 * What a way takes for a piece, of what the workshop has.
 *
 * @param sessions that it takes: each is a coat of cream; a bath stands through all of them
 */
export function supplyFor(
  school: School,
  piece: PieceSize,
  stock: readonly OwnStock[],
  tubs: readonly OwnTub[],
  sessions: number,
): Supply {
  const coats = Math.max(1, sessions);
  const tub = takesTub(school) ? tubs.find((one) => fitsIn(school, one, piece)) : undefined;
  const litres = tub ? solutionIn(school, tub, piece) : usualSolutionL(school, piece);
  // A bath can be had in anything that is large enough; for vapour the lid has to close over it.
  const { lengthMm, widthMm, heightMm } = piece;
  const box: Need[] =
    takesTub(school) && !tub && (school.solution === 'pool' || tubs.length > 0)
      ? [{ kind: school.solution === 'pool' ? 'box with a lid' : 'tub', lengthMm, widthMm, heightMm }]
      : [];
  const strongest = school.medium === 'cream' ? school.percentRangeWW[1] + 0.5 : Infinity;
  const weakest = school.medium === 'liquid' ? school.usualPercentWW - 0.5 : 0;
  const usable = stock.filter(
    ({ kind, percentWW }) => kind === school.medium && percentWW >= weakest && percentWW <= strongest,
  );
  const usedOf = ({ percentWW }: OwnStock): number =>
    school.medium === 'cream'
      ? creamAmount(surfaceCm2(piece), FILM_MM, coats, 100).creamMl
      : school.medium === 'powder'
        ? powderFor(school.usualPercentWW, percentWW / PURE_POWDER_PERCENT, litres)
        : peroxideDilution(percentWW, Math.min(percentWW, school.usualPercentWW), litres).stockVolumeL * 1000;
  const shortBy = (one: OwnStock) => Math.max(0, usedOf(one) - (one.left ?? Infinity));
  // The first that has enough in it; where none has, the one that lacks least.
  const [bottle] = [...usable].sort((a, b) => shortBy(a) - shortBy(b));
  const of = { tubId: tub?.id ?? null, litres: school.medium === 'cream' ? null : litres };
  if (!bottle)
    return {
      ...of,
      stockId: null,
      takes: null,
      costMinor: null,
      buy: [toBuy(school), ...box],
    };
  const { id, name, priceMinor, sizeMl } = bottle;
  const used = usedOf(bottle);
  const short = shortBy(bottle);
  const { medium } = school;
  return {
    ...of,
    stockId: id,
    takes: { name, medium, amount: used, coats: medium === 'cream' ? coats : 1, tub: tub?.name ?? null },
    costMinor: priceMinor !== null && sizeMl ? shareOfPrice(priceMinor, sizeMl, used) : null,
    buy: [...(short > 0 ? [{ kind: 'more of it' as const, name, medium, amount: short }] : []), ...box],
  };
}
