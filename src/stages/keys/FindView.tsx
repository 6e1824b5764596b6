import { getWorkshop } from '@/data/workshop';
import { practiceDone } from '@/work/keys/practice';
import { FindPart } from './FindPart';
import { foundOn, patternOf } from './found';
import { boardView } from './view';
import type { Asked } from './asked';
import { Start } from './Start';

/** The fault, and the next reading. */
export async function FindScreen({ restorationId, board: asked }: Asked) {
  const [{ boards, board, tests, readings, earlier }, { timeZone }, practised] = await Promise.all([
    boardView(restorationId, asked),
    getWorkshop(),
    practiceDone(),
  ]);
  if (!board) return <Start restorationId={restorationId} />;
  const test = tests.find(({ seen }) => Object.keys(seen).length > 0) ?? null;
  const seen = test?.seen ?? {};
  return (
    <FindPart
      key={board.id}
      restorationId={restorationId}
      boards={boards}
      board={board}
      test={test}
      found={test ? foundOn(board, seen, readings, test.together) : null}
      pattern={patternOf(board, seen)}
      readings={readings}
      earlier={earlier}
      timeZone={timeZone}
      practised={practised}
    />
  );
}
