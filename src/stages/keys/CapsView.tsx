import { capsOf } from '@/data/keys';
import { CapsPart } from './CapsPart';
import { boardView, keyPhotos } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** Its caps, off and on again; `photo`: the photograph that is marked. */
export async function CapsScreen({
  restorationId,
  board: asked,
  photo: wanted,
}: Asked & { photo: string | undefined }) {
  const [{ boards, board }, { photos, photo }] = await Promise.all([
    boardView(restorationId, asked),
    keyPhotos(restorationId, wanted),
  ]);
  if (!board) return <Start restorationId={restorationId} />;
  return <CapsPart key={board.id} {...{ restorationId, boards, board, photos, photo }} {...await capsOf(board.id)} />;
}
