import { blockOf } from '@/core/keyboard/layout';
import { addKeyboard, addReading, guessBoard } from '../src/work/keys/boards';
import { beginTest, endTest, seeKeys } from '../src/work/keys/tests';

const ACROSS = 12;
const DOWN = 5;
/** The end of the lower row, as it was found at intake. */
const DEAD = ['d10', 'd11', 'd12'];

/** A keyboard with three dead keys at the end of a row: tested, its lines laid, one reading taken. */
export async function brimselKeys(restorationId: string, tested: Date, measured: Date): Promise<void> {
  const block = blockOf('staggered', ACROSS, DOWN);
  const id = await addKeyboard(restorationId, { name: 'main keyboard', kind: 'domes', ...block, lines: [] }, tested);
  await guessBoard(id, tested);
  const test = await beginTest(id, 'before', tested);
  const rest = block.keys.map((key) => key.id).filter((key) => !DEAD.includes(key));
  await seeKeys(test, rest, 'works', tested);
  await seeKeys(test, DEAD, 'dead', tested);
  await endTest(test, '', new Date(tested.getTime() + 12 * 60_000));
  await addReading(id, { line: 'R4', from: 'connector', to: 'd6', ohms: 140 }, measured);
}
