import { LinesPart } from './LinesPart';
import { boardView } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** Its lines. */
export async function LinesScreen({ restorationId, board: asked }: Asked) {
  const { boards, board } = await boardView(restorationId, asked);
  if (!board) return <Start restorationId={restorationId} />;
  return <LinesPart key={board.id} restorationId={restorationId} boards={boards} board={board} />;
}
