import { Op } from 'sequelize';
import { findRestoration } from '@/data/restorations';
import type { Measurement, Piece } from '@/data/rows';
import { findRows } from '@/data/table';
import { distanceWords } from './distance';
import type { PieceHistory } from './history';
import type { Companion } from './TogetherChoice';

/** Of other machines only those that were treated last are offered. */
const MOST_OTHERS = 12;

const asCompanion = ({ id, tag, name, lengthMm, widthMm, heightMm }: Piece, machine: string, latest: Measurement | null): Companion => ({
  id,
  title: [`${tag} ${name}`, machine].filter(Boolean).join(', '),
  under: distanceWords(latest),
  lengthMm,
  widthMm,
  heightMm,
});

/** Pieces that may lie in the same mixture and light: of this machine, and of others whose brightening goes on. */
export async function companionsOf(piece: Piece, pieces: readonly Piece[], histories: readonly PieceHistory[]): Promise<Companion[]> {
  const own = pieces.flatMap((other, i) => {
    const { running, treatments, measurements } = histories[i]!;
    const done = treatments.length > 0 && treatments.every(({ endedAt }) => endedAt !== null);
    return other.id === piece.id || running || done || other.aim === 'keep the age'
      ? []
      : [asCompanion(other, '', measurements[measurements.length - 1] ?? null)];
  });
  const elsewhere = await findRows(
    'treatments',
    { endedAt: null, restorationId: { [Op.ne]: piece.restorationId } },
    [['plannedAt', 'DESC']],
    MOST_OTHERS,
  );
  const ids = [...new Set(elsewhere.map(({ pieceId }) => pieceId))];
  const [others, running] = await Promise.all([findRows('pieces', { id: ids }), findRows('sessions', { pieceId: ids, endedAt: null })]);
  const guests = await Promise.all(
    others
      .filter(({ id }) => !running.some(({ pieceId }) => pieceId === id))
      .map(async (other) => {
        const [restoration, [latest]] = await Promise.all([
          findRestoration(other.restorationId),
          findRows('measurements', { pieceId: other.id }, [['measuredAt', 'DESC']], 1),
        ]);
        return asCompanion(other, restoration?.title ?? '', latest ?? null);
      }),
  );
  return [...own, ...guests];
}
