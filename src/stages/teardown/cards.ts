import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { listTrays, teardownOf } from '@/data/teardown';

/** What a card of a step needs beside the step. */
export async function cardsOf(restorationId: string) {
  const [teardown, trays, photos, pieces] = await Promise.all([
    teardownOf(restorationId),
    listTrays(),
    photosOf(restorationId),
    piecesOf(restorationId),
  ]);
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return { ...teardown, trays, pieces, sizes };
}
