import { BoardPart } from './BoardPart';
import { FromPhotoLater } from './FromPhotoLater';
import { boardView, keyPhotos, lastSeen } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** The keyboard, drawn; `photo`: the photograph that a new one is drawn from. */
export async function BoardScreen({
  restorationId,
  board: asked,
  photo: wanted,
}: Asked & { photo: string | undefined }) {
  const [{ boards, board, tests }, { photos, photo }] = await Promise.all([
    boardView(restorationId, asked),
    keyPhotos(restorationId, wanted),
  ]);
  if (photo) return <FromPhotoLater key={photo.id} restorationId={restorationId} photo={photo} first={!board} />;
  if (!board) return <Start restorationId={restorationId} />;
  return (
    <BoardPart
      key={board.id}
      restorationId={restorationId}
      boards={boards}
      board={board}
      photos={photos}
      seen={lastSeen(tests)}
      tested={Object.keys(lastSeen(tests)).length > 0}
    />
  );
}
