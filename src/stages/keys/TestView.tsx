import { getWorkshop } from '@/data/workshop';
import { TestPart } from './TestPart';
import { boardView } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** Every key pressed. */
export async function TestScreen({ restorationId, board: asked }: Asked) {
  const [{ boards, board, tests }, { timeZone }] = await Promise.all([boardView(restorationId, asked), getWorkshop()]);
  if (!board) return <Start restorationId={restorationId} />;
  return <TestPart key={board.id} {...{ restorationId, boards, board, tests, timeZone }} />;
}
