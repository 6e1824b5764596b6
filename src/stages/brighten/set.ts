import { commonTarget, type CommonTarget } from '@/core/exposure/commonTarget';
import { measurementsOf } from '@/data/measurements';
import { findRestoration } from '@/data/restorations';
import { piecesOf } from '@/data/pieces';

/** The target that the pieces of a restoration share; a piece whose age is kept takes no part. */
export async function commonTargetOf(restorationId: string): Promise<CommonTarget | null> {
  const [pieces, measurements, restoration] = await Promise.all([
    piecesOf(restorationId),
    measurementsOf(restorationId),
    findRestoration(restorationId),
  ]);
  const measured = (id: string) => measurements.filter(({ pieceId, basis, lab }) => pieceId === id && basis === 'card' && lab !== null).pop();
  return commonTarget(
    pieces
      .filter(({ aim }) => (aim ?? restoration?.aim) !== 'keep the age')
      .map(({ id, tag, hiddenLab }) => ({ id, tag, hiddenB: hiddenLab?.[2] ?? null, currentB: measured(id)?.lab?.[2] ?? null })),
  );
}
