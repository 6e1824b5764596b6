import { findRows } from '@/data/table';
import { doneLately } from '@/work/plan/said';

const LATELY = 12;

/** The newest entry of the log about each task says what it was called. */
const nameOf = (task: string): string => task.split(':').slice(1, 2).join('') || 'task';

/** What was said to be done, and what was dropped: both can be put right. */
export async function saidOf() {
  const [done, dropped] = await Promise.all([
    doneLately(LATELY),
    findRows('task_marks', { dropped: true }, [['at', 'DESC']], LATELY),
  ]);
  return {
    done: done.map(({ id, kind, endedAt, minutes, task }) => ({
      ...{ id, minutes, at: endedAt! },
      words: kind === 'own' ? 'own task' : kind || nameOf(task),
    })),
    dropped: dropped.map(({ id }) => ({ id, words: nameOf(id) })),
  };
}
