import { inTransaction } from './connection';
import type { ExerciseRow } from './rows';
import { addRow, findRows } from './table';

/** Every exercise that was answered, in order. */
export const exercisesDone = (): Promise<ExerciseRow[]> => findRows('exercises', {}, [['at', 'ASC']]);

/** Keeps an answer; a second one to the same exercise changes nothing. */
export async function keepAnswer(answer: Omit<ExerciseRow, 'id' | 'at'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const [before] = await findRows('exercises', { seed: answer.seed });
    if (!before) await addRow('exercises', { ...answer, at: now.toISOString() });
  });
}
