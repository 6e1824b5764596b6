import { lookAlikes, wideKeys } from '@/core/keyboard/caps';
import { capsOf } from '@/data/keys';
import { capCrops } from './capCrops';
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
  const kept = await capsOf(board.id);
  const off = kept.caps.filter(({ isOff }) => isOff).map(({ key }) => key);
  const shown = [...lookAlikes(board.keys).flat(), ...wideKeys(board.keys).map(({ id }) => id)];
  const crops = capCrops(
    board,
    shown.filter((key) => off.includes(key)),
    kept.pictures[0],
    photos,
  );
  return <CapsPart key={board.id} {...{ restorationId, boards, board, photos, photo, crops }} {...kept} />;
}
