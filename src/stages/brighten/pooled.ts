import { guessOf } from '@/core/exposure/compare';
import { pooledPrior, type Pooled } from '@/core/exposure/pooling';
import type { School } from '@/core/exposure/schools';
import { findPiece } from '@/data/pieces';
import type { Piece } from '@/data/rows';
import { allTreatments } from '@/data/treatments';
import { historiesOf, yellowOf, type PieceHistory } from './history';

/** So many past pieces of the same plastic speak for themselves; with fewer all plastics count. */
const ENOUGH = 3;

/** A past piece with all that was done to it. */
export interface Past {
  piece: Piece;
  history: PieceHistory;
}

/** All pieces of the workshop that had a treatment, this one left out; read once for all ways. */
export async function pastPieces(but: Piece): Promise<Past[]> {
  const ids = new Set((await allTreatments()).map(({ pieceId }) => pieceId));
  ids.delete(but.id);
  const pieces = (await Promise.all([...ids].map(findPiece))).flatMap((piece) => piece ?? []);
  const histories = await historiesOf(pieces);
  return pieces.map((piece, i) => ({ piece, history: histories[i]! }));
}

/** What past pieces say of the rate of a way: those of the same plastic where there are enough. */
export function pooledFrom(past: readonly Past[], school: School, plastic: string): Pooled & { samePlastic: boolean } {
  const known = past.flatMap(({ piece, history }) => {
    // A piece that went several ways does not say which of them did it.
    const oneWay = history.treatments.every((treatment) => treatment.school === school.id);
    const yellow = oneWay ? yellowOf(piece, history, school) : null;
    return yellow && yellow.sessions.some(({ measuredB }) => measuredB !== null) ? [{ plastic: piece.plastic, yellow }] : [];
  });
  const same = known.filter((one) => one.plastic === plastic);
  const samePlastic = same.length >= ENOUGH;
  return {
    ...pooledPrior(
      (samePlastic ? same : known).map(({ yellow }) => yellow),
      guessOf(school),
    ),
    samePlastic,
  };
}

/** What the workshop's past pieces say of the rate of one way, this piece left out. */
export const pooledFor = async (school: School, piece: Piece): Promise<Pooled & { samePlastic: boolean }> =>
  pooledFrom(await pastPieces(piece), school, piece.plastic);
