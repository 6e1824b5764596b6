import { kindWords } from '@/core/schedule/taskWords';
import { titlesOf } from '@/data/restorations';
import { findRows } from '@/data/table';
import { doneLately } from '@/work/plan/said';

const LATELY = 12;

/** What was said to be done, and what was dropped: both can be put right. */
export async function saidOf() {
  const [done, dropped, own] = await Promise.all([
    doneLately(LATELY),
    findRows('task_marks', { dropped: true }, [['at', 'DESC']], LATELY),
    findRows('own_tasks'),
  ]);
  const machineOf = (task: string): string => task.split(':')[0]!;
  const titles = await titlesOf([
    ...done.flatMap(({ restorationId }) => restorationId ?? []),
    ...dropped.map(({ id }) => machineOf(id)),
  ]);
  const called = (task: string): string => {
    const [machine = '', kind = ''] = task.split(':');
    const mine = own.find(({ id }) => task === `own:${id}`);
    if (mine) return mine.what;
    return [kindWords(kind), titles.get(machine)].filter(Boolean).join(', ');
  };
  return {
    done: done.map(({ id, endedAt, minutes, task }) => ({ id, minutes, at: endedAt!, words: called(task) })),
    dropped: dropped.map(({ id }) => ({ id, words: called(id) })),
  };
}
