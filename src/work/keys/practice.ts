import { isRight, ownProbes, practiceBoard, type Grade } from '@/core/keyboard/practice';
import { inTransaction } from '@/data/connection';
import type { KeyPracticeRow } from '@/data/rows';
import { addRow, findRows } from '@/data/table';

/** Keeps the answer to a practice board; a second one to the same board changes nothing. */
export async function answerPractice(
  {
    grade,
    seed,
    said,
    probes,
  }: { grade: Grade; seed: number; said: { line: string; segment: number }[]; probes: number },
  now: Date,
): Promise<KeyPracticeRow> {
  return inTransaction(async () => {
    const [before] = await findRows('key_practice', { grade, seed });
    if (before) return before;
    const practice = practiceBoard(grade, seed);
    return addRow('key_practice', {
      ...{ grade, seed, probes, ours: ownProbes(practice), rightly: isRight(practice, said) },
      at: now.toISOString(),
    });
  });
}

/** Every practice board that was answered, in order. */
export const practiceDone = (): Promise<KeyPracticeRow[]> => findRows('key_practice', {}, [['rowid', 'ASC']]);
