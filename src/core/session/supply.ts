import { bathVolume, COVER_MM } from '../peroxide/bathVolume';
import { creamAmount } from '../peroxide/cream';
import { peroxideDilution } from '../peroxide/dilution';
import { powderFor } from '../peroxide/percarbonate';
import { shareOfPrice } from '../ledger/left';
import type { PieceSize, TubSize } from '../size';
import { amountWords, pouredWords, type UnitSystem } from '../units';
import { fitsIn, POOL_MM, surfaceCm2, usualSolutionL } from './amounts';
import { FILM_MM, PURE_POWDER_PERCENT } from './plan';
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

/** What a way takes for a piece, out of which bottle and in which tub: the comparison and the plan both begin with it. */
export interface Supply {
  stockId: string | null;
  tubId: string | null;
  /** Solution, L; `null` for cream. */
  litres: number | null;
  /** All of it in words; empty where the stores hold nothing for it. */
  words: string;
  /** Of the workshop's own stock; `null` where it has none or its price is not known. */
  costMinor: number | null;
  /** What would have to be bought for it. */
  buy: string[];
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

const BY_NAME = { cream: 'peroxide cream', liquid: 'peroxide liquid', powder: 'oxygen-bleach powder' } as const;

/** Cream goes on as it is, liquid is thinned, powder is all one. */
const strengthToBuy = ({ medium, usualPercentWW, percentRangeWW: [weak, strong] }: School): string =>
  medium === 'cream' ? ` of ${weak} to ${strong} %` : medium === 'liquid' ? ` of ${usualPercentWW} % or more` : '';

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
  units: UnitSystem,
): Supply {
  const coats = Math.max(1, sessions);
  const tub = takesTub(school) ? tubs.find((one) => fitsIn(school, one, piece)) : undefined;
  const litres = tub ? solutionIn(school, tub, piece) : usualSolutionL(school, piece);
  const long = (mm: number) => amountWords(mm, 'mm', 0, units);
  // A bath can be had in anything that is large enough; for vapour the lid has to close over it.
  const box =
    takesTub(school) && !tub && (school.solution === 'pool' || tubs.length > 0)
      ? [
          `${school.solution === 'pool' ? 'a box with a lid' : 'a tub'} that holds it, ${long(piece.lengthMm)} × ${long(piece.widthMm)} and more than ${long(piece.heightMm)} deep inside`,
        ]
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
      words: '',
      costMinor: null,
      buy: [`${BY_NAME[school.medium]}${strengthToBuy(school)}`, ...box],
    };
  const { id, name, priceMinor, sizeMl } = bottle;
  const used = usedOf(bottle);
  const short = shortBy(bottle);
  const shown = (amount: number) =>
    school.medium === 'powder' ? amountWords(amount, 'g', 0, units) : pouredWords(amount / 1000, units);
  const where = tub ? ` in “${tub.name}”` : '';
  const rest =
    school.medium === 'cream'
      ? coats > 1
        ? `, ${coats} coats`
        : ''
      : `, for ${amountWords(litres, 'L', 1, units)}${school.medium === 'powder' ? ' of water' : ''}${where}`;
  return {
    ...of,
    stockId: id,
    words: `${shown(used)} out of “${name}”${rest}`,
    costMinor: priceMinor !== null && sizeMl ? shareOfPrice(priceMinor, sizeMl, used) : null,
    buy: [...(short > 0 ? [`${shown(short)} more than is left in “${name}”`] : []), ...box],
  };
}
