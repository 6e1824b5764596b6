import { guessOf } from '@/core/exposure/compare';
import { pooledPrior, type Pooled } from '@/core/exposure/pooling';
import { SCHOOL, type School } from '@/core/exposure/schools';
import { findPiece } from '@/data/pieces';
import type { Piece } from '@/data/rows';
import { treatmentsBySchool } from '@/data/treatments';
import { historyOf, yellowOf } from './history';

/** So many past pieces of the same plastic speak for themselves; with fewer all plastics count. */
const ENOUGH = 3;

/** What the workshop's past pieces say of the rate of a way, this piece left out. */
export async function pooledFor(school: School, piece: Piece): Promise<Pooled & { samePlastic: boolean }> {
  const others = new Set((await treatmentsBySchool(school.id)).map(({ pieceId }) => pieceId));
  others.delete(piece.id);
  const past = await Promise.all(
    [...others].map(async (id) => {
      const other = (await findPiece(id))!;
      const history = await historyOf(other);
      // A piece that went several ways does not say which of them did it.
      const oneWay = history.treatments.every((treatment) => SCHOOL[treatment.school].id === school.id);
      const yellow = oneWay ? yellowOf(other, history, school) : null;
      return yellow && yellow.sessions.some(({ measuredB }) => measuredB !== null) ? { plastic: other.plastic, yellow } : null;
    }),
  );
  const known = past.flatMap((found) => found ?? []);
  const same = known.filter(({ plastic }) => plastic === piece.plastic);
  const samePlastic = same.length >= ENOUGH;
  return {
    ...pooledPrior(
      (samePlastic ? same : known).map(({ yellow }) => yellow),
      guessOf(school),
    ),
    samePlastic,
  };
}
