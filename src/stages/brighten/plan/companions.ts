import { isPlastic } from '@/core/runsheet/stages';
import { latestOf } from '@/data/measurements';
import { findPieces } from '@/data/pieces';
import { titlesOf } from '@/data/restorations';
import type { Measurement, Piece } from '@/data/rows';
import { runningIn, treatmentsElsewhere } from '@/data/treatments';
import { distanceWords } from '../distance';
import type { PieceHistory } from '../history';
import type { Companion } from './TogetherChoice';

/** Of other machines only those that were treated last are offered. */
const MOST_OTHERS = 12;

const asCompanion = (
  { id, tag, name, lengthMm, widthMm, heightMm }: Piece,
  machine: string,
  latest: Measurement | null,
): Companion => ({
  id,
  title: [`${tag} ${name}`, machine].filter(Boolean).join(', '),
  under: distanceWords(latest),
  lengthMm,
  widthMm,
  heightMm,
});

/** Pieces that may lie in the same mixture and light: of this machine, and of others whose brightening goes on. */
export async function companionsOf(
  piece: Piece,
  pieces: readonly Piece[],
  histories: readonly PieceHistory[],
): Promise<Companion[]> {
  const own = pieces.flatMap((other, i) => {
    const { running, treatments, measurements } = histories[i]!;
    const done = treatments.length > 0 && treatments.every(({ endedAt }) => endedAt !== null);
    return other.id === piece.id || running || done || other.aim === 'keep the age' || !isPlastic(other.plastic)
      ? []
      : [asCompanion(other, '', measurements[measurements.length - 1] ?? null)];
  });
  const elsewhere = await treatmentsElsewhere(piece.restorationId, MOST_OTHERS);
  const ids = [...new Set(elsewhere.map(({ pieceId }) => pieceId))];
  const [others, running, latest, titles] = await Promise.all([
    findPieces(ids),
    runningIn(ids),
    latestOf(ids),
    titlesOf(elsewhere.map(({ restorationId }) => restorationId)),
  ]);
  const guests = others
    .filter(({ id }) => !running.some(({ pieceId }) => pieceId === id))
    .map((other) => asCompanion(other, titles.get(other.restorationId) ?? '', latest.get(other.id) ?? null));
  return [...own, ...guests];
}
