import { getWorkshop } from '@/data/workshop';
import { BoardPart } from './BoardPart';
import { FindPart } from './FindPart';
import { foundOn, patternOf } from './found';
import { LinesPart } from './LinesPart';
import { NewBoard } from './NewBoard';
import { TestPart } from './TestPart';
import { boardView, lastSeen } from './view';

interface Props {
  restorationId: string;
  /** Which keyboard, where a machine has several. */
  board: string | undefined;
}

const Start = ({ restorationId }: { restorationId: string }) => <NewBoard restorationId={restorationId} first />;

/** The keyboard, drawn. */
export async function BoardScreen({ restorationId, board: asked }: Props) {
  const { boards, board, tests } = await boardView(restorationId, asked);
  if (!board) return <Start restorationId={restorationId} />;
  return (
    <BoardPart
      restorationId={restorationId}
      boards={boards}
      board={board}
      seen={lastSeen(tests)}
      tested={Object.keys(lastSeen(tests)).length > 0}
    />
  );
}

/** Every key pressed. */
export async function TestScreen({ restorationId, board: asked }: Props) {
  const [{ boards, board, tests }, { timeZone }] = await Promise.all([boardView(restorationId, asked), getWorkshop()]);
  if (!board) return <Start restorationId={restorationId} />;
  return <TestPart restorationId={restorationId} boards={boards} board={board} tests={tests} timeZone={timeZone} />;
}

/** Its lines. */
export async function LinesScreen({ restorationId, board: asked }: Props) {
  const { boards, board } = await boardView(restorationId, asked);
  if (!board) return <Start restorationId={restorationId} />;
  return <LinesPart key={board.id} restorationId={restorationId} boards={boards} board={board} />;
}

/** The fault, and the next reading. */
export async function FindScreen({ restorationId, board: asked }: Props) {
  const [{ boards, board, tests, readings, earlier }, { timeZone }] = await Promise.all([
    boardView(restorationId, asked),
    getWorkshop(),
  ]);
  if (!board) return <Start restorationId={restorationId} />;
  const test = tests.find(({ seen }) => Object.keys(seen).length > 0) ?? null;
  const seen = test?.seen ?? {};
  return (
    <FindPart
      restorationId={restorationId}
      boards={boards}
      board={board}
      test={test}
      found={test ? foundOn(board, seen, readings) : null}
      pattern={patternOf(board, seen)}
      readings={readings}
      earlier={earlier}
      timeZone={timeZone}
    />
  );
}
