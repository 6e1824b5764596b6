import { COVER_MM } from '../peroxide/bathVolume';
import { PEROXIDE_SHARE } from '../peroxide/percarbonate';
import type { PieceSize, TubSize } from '../size';
import type { School } from './schools';

/** Solution for each litre of the piece's box, and at least so much: it is covered, wetted in a bag, or above a pool of a centimetre. */
const SOLUTION = {
  bath: { least: 2, overBox: 1.6 },
  bag: { least: 0.5, overBox: 0.4 },
  pool: { least: 0.3, overBox: 0 },
} as const;

/** How deep the pool under a piece is, mm. */
export const POOL_MM = 10;

const POOL_OVER_PIECE = 1.5;

/**
 * What cream has to cover: top and sides, cm².
 *
 * @example surfaceCm2({ lengthMm: 400, widthMm: 200, heightMm: 50 }) // 1400
 */
export const surfaceCm2 = ({ lengthMm, widthMm, heightMm }: PieceSize) =>
  (lengthMm * widthMm + 2 * heightMm * (lengthMm + widthMm)) / 100;

/** Litres that a way usually takes for a piece, before a tub is chosen. */
export function usualSolutionL({ solution }: School, { lengthMm, widthMm, heightMm }: PieceSize): number {
  const { least, overBox } = SOLUTION[solution];
  const pool = solution === 'pool' ? (POOL_OVER_PIECE * lengthMm * widthMm * POOL_MM) / 1e6 : 0;
  return Math.max(least, pool, (overBox * lengthMm * widthMm * heightMm) / 1e6);
}

/** Whether a piece lies flat on the floor of a tub, one way round or the other. */
export function liesIn(tub: TubSize, { lengthMm, widthMm }: Pick<PieceSize, 'lengthMm' | 'widthMm'>): boolean {
  const [narrow, wide] = [Math.min(lengthMm, widthMm), Math.max(lengthMm, widthMm)];
  return wide <= Math.max(tub.lengthMm, tub.widthMm) && narrow <= Math.min(tub.lengthMm, tub.widthMm);
}

/** Whether a way can be done with it in there: covered with the usual depth, or clear above a pool and under the lid. */
export const fitsIn = ({ solution }: School, tub: TubSize, piece: PieceSize): boolean =>
  liesIn(tub, piece) && piece.heightMm + (solution === 'pool' ? POOL_MM : COVER_MM) <= tub.depthMm;

/** Cream that stays on, mm. */
export const FILM_MM = 1;

/** Peroxide that pure percarbonate sets free, % of its weight. */
export const PURE_POWDER_PERCENT = 100 * PEROXIDE_SHARE;
