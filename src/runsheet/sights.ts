import { measurementsOf } from '@/data/measurements';
import { piecesOf } from '@/data/pieces';
import type { PieceSight } from './marks';

/** Each piece with its first and newest measurement. */
export async function sightsOf(restorationId: string): Promise<PieceSight[]> {
  const [pieces, measurements] = await Promise.all([piecesOf(restorationId), measurementsOf(restorationId)]);
  return pieces.map((piece) => {
    const own = measurements.filter(({ pieceId }) => pieceId === piece.id);
    return { piece, first: own[0] ?? null, latest: own[own.length - 1] ?? null };
  });
}

/** The next free tag: K1, K2 and so on. */
export async function nextTag(restorationId: string): Promise<string> {
  const taken = new Set((await piecesOf(restorationId)).map(({ tag }) => tag));
  let number = 1;
  while (taken.has(`K${number}`)) number++;
  return `K${number}`;
}
