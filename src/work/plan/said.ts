import { Refusal } from '@/core/refusal';
import type { KeptTask } from '@/core/schedule/kept';
import type { CouldNot, RunOutcome } from '@/core/schedule/runs';
import { taskWords } from '@/core/schedule/taskWords';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { planBefore, planRead, planThatStands } from '@/data/plans';
import type { OwnTaskRow, TaskMarkRow, TaskRunRow } from '@/data/rows';
import { addRow, changeRow, findRow, findRows, needRow, removeRows } from '@/data/table';
import { bookEntry } from '../ledger';

const MINUTE_MS = 60_000;
/** Longer than this nobody was at it all the time: the minutes are those of the plan. */
const FORGOTTEN = 4;

/** A task of the plan that stands. @throws Refusal where it is not in it any more */
async function planned(id: string): Promise<KeptTask> {
  const stands = await planThatStands();
  const task = stands?.plan.tasks.find((one) => one.id === id);
  if (!task)
    throw new Refusal(
      'task',
      'This task is not in the plan any more: it was done, or the plan was made anew. Look at the plan again.',
    );
  return task;
}

const told = (task: Pick<KeptTask, 'about'>, words: string) => ({
  ...{ restorationId: task.about.machine, stage: task.about.stage, kind: 'plan' },
  words: `${taskWords(task.about)}: ${words}`,
});

/** Changes what is said of a task; nothing said at all takes the mark away. */
async function mark(
  task: KeptTask,
  said: Partial<Omit<TaskMarkRow, 'id' | 'at'>>,
  words: string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const known = await findRow('task_marks', task.id);
    const row: TaskMarkRow = {
      ...{ id: task.id, startAt: null, notBefore: null, minutes: null, dropped: false, personId: null },
      ...known,
      ...said,
      at: now.toISOString(),
    };
    await removeRows('task_marks', { id: task.id });
    if (row.startAt !== null || row.notBefore !== null || row.minutes !== null || row.personId !== null || row.dropped)
      await addRow('task_marks', row);
    await appendLog(told(task, words), now);
  });
}

/** Pins a task to a moment. @throws Refusal for one that is over */
export async function pinTask(id: string, startAt: Date, words: string, now: Date): Promise<void> {
  const task = await planned(id);
  if (startAt.getTime() < now.getTime() - MINUTE_MS)
    throw new Refusal('startAt', 'This time is over. Pin it to one that is still to come.');
  await mark(task, { startAt: startAt.toISOString(), notBefore: null }, words, now);
}

/** It is not begun before a moment. */
export async function putTaskOff(id: string, notBefore: Date, words: string, now: Date): Promise<void> {
  await mark(await planned(id), { notBefore: notBefore.toISOString(), startAt: null }, words, now);
}

/** It takes so many minutes. */
export const lengthenTask = async (id: string, minutes: number, now: Date): Promise<void> =>
  mark(await planned(id), { minutes }, `planned with ${minutes} min.`, now);

/** Somebody of the workshop does it; `null` for whoever is there. */
export async function giveTask(id: string, personId: string | null, now: Date): Promise<void> {
  const task = await planned(id);
  const name = personId === null ? 'whoever is there' : (await needRow('people', personId)).name;
  await mark(task, { personId }, `for ${name}.`, now);
}

/** It is not done at all. */
export const dropTask = async (id: string, now: Date): Promise<void> =>
  mark(await planned(id), { dropped: true }, 'dropped from the plan.', now);

/** All that was said of a task is forgotten. */
export async function unmarkTask(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const known = await findRow('task_marks', id);
    if (!known) return;
    await removeRows('task_marks', { id });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'plan',
        words: 'A task is free again: nothing is said of it any more.',
        data: known,
      },
      now,
    );
  });
}

/** Adds a task that no stage knows of. */
export async function addOwnTask(given: Omit<OwnTaskRow, 'id' | 'at'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    if (given.restorationId !== null) await needRow('restorations', given.restorationId);
    await addRow('own_tasks', { ...given, at: now.toISOString() });
    await appendLog(
      {
        restorationId: given.restorationId,
        stage: null,
        kind: 'plan',
        words: `To do: ${given.what}, ${given.minutes} min.`,
      },
      now,
    );
  });
}

/** Says when a machine is wanted; `null` for whenever it is ready. */
export async function wishFor(restorationId: string, wantedAt: Date | null, weight: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    await removeRows('wishes', { id: restorationId });
    if (wantedAt)
      await addRow('wishes', { id: restorationId, wantedAt: wantedAt.toISOString(), weight, at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: null, kind: 'plan' },
        words: wantedAt ? `Wanted by ${wantedAt.toISOString().slice(0, 10)}.` : 'Wanted by no day.',
      },
      now,
    );
  });
}

/** The task that hands are at. */
export const runsNow = (): Promise<TaskRunRow[]> => findRows('task_runs', { endedAt: null }, [['startedAt', 'ASC']]);

/** Hands begin a task: its minutes count from now. */
export async function beginTask(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const task = await planned(id);
    const open = await findRows('task_runs', { task: id, endedAt: null });
    if (open.length > 0) return;
    await addRow('task_runs', {
      ...{ task: id, restorationId: task.about.machine, kind: task.about.kind, startedAt: now.toISOString() },
      ...{ endedAt: null, outcome: null, minutes: null, words: '' },
      plannedMin: Math.round((Date.parse(task.to) - Date.parse(task.from)) / MINUTE_MS),
    });
    await appendLog(told(task, 'begun.'), now);
  });
}

/** Whose screens book the minutes of hands themselves. */
const BOOKED_ELSEWHERE = new Set(['wash', 'soak', 'brush', 'set up', 'expose', 'wash off', 'mend', 'rust', 'coat']);

/**
 * What came of a task: done, not yet, or it could not be done. Minutes of hands are those from its beginning, and go to its
 * restoration; one that was never begun counts as planned.
 */
export async function endTask(
  id: string,
  outcome: RunOutcome,
  why: CouldNot | null,
  putOffMin: number,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const task = await planned(id);
    const plannedMin = Math.round((Date.parse(task.to) - Date.parse(task.from)) / MINUTE_MS);
    const [open] = await findRows('task_runs', { task: id, endedAt: null });
    const since = open ? Math.round((now.getTime() - Date.parse(open.startedAt)) / MINUTE_MS) : null;
    const minutes = since === null || since > FORGOTTEN * Math.max(plannedMin, 15) ? null : Math.max(1, since);
    const ended = { endedAt: now.toISOString(), outcome, minutes, words: why ?? '' };
    if (open) await changeRow('task_runs', { id: open.id }, ended);
    else
      await addRow('task_runs', {
        ...{ task: id, restorationId: task.about.machine, kind: task.about.kind, startedAt: now.toISOString() },
        ...{ plannedMin, ...ended },
      });
    if (
      task.about.machine !== null &&
      task.about.stage !== null &&
      minutes !== null &&
      !BOOKED_ELSEWHERE.has(task.about.kind)
    )
      await bookEntry(
        {
          ...{ restorationId: task.about.machine, stage: task.about.stage, kind: 'minutes' },
          ...{ words: taskWords(task.about), amountMinor: 0, minutes },
        },
        now,
      );
    await appendLog(told(task, OUTCOME_WORDS(outcome, why, minutes)), now);
    if (outcome !== 'done')
      await mark(
        task,
        { notBefore: new Date(now.getTime() + putOffMin * MINUTE_MS).toISOString(), startAt: null },
        'put off.',
        now,
      );
  });
}

const OUTCOME_WORDS = (outcome: RunOutcome, why: CouldNot | null, minutes: number | null): string =>
  `${outcome}${why ? `, ${why}` : ''}${minutes === null ? '' : `, after ${minutes} min`}.`;

/** A task that was said to be done was not: it is in the plan again. */
export async function taskNotDone(runId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const run = await needRow('task_runs', runId);
    await removeRows('task_runs', { id: runId });
    await appendLog(
      {
        restorationId: run.restorationId,
        stage: null,
        kind: 'plan',
        words: 'A task was not done after all.',
        data: run,
      },
      now,
    );
  });
}

/** What was done lately, the newest first. */
export const doneLately = (most: number): Promise<TaskRunRow[]> =>
  findRows('task_runs', { outcome: 'done' }, [['endedAt', 'DESC']], most);

/**
 * Takes the last change of the plan back: what moved is pinned to where it stood, as far as that is still to come.
 *
 * @returns how many were pinned, and how many cannot be where they stood
 */
export async function keepOldPlan(number: number, now: Date): Promise<{ kept: number; over: number }> {
  return inTransaction(async () => {
    const [stands, before] = [await planThatStands(), await planBefore()];
    if (!stands?.plan.moved || !before || stands.number !== number)
      throw new Refusal('number', 'The plan was made anew meanwhile. Look at what it says now.');
    let [kept, over] = [0, 0];
    for (const { id, about, from } of stands.plan.moved.tasks) {
      if (Date.parse(from) < now.getTime()) {
        over++;
        continue;
      }
      const task = stands.plan.tasks.find((one) => one.id === id);
      if (!task) continue;
      await mark({ ...task, about }, { startAt: from, notBefore: null }, 'back where the plan before had it.', now);
      kept++;
    }
    await planRead(number);
    return { kept, over };
  });
}

/** What moved was read. */
export const readMoved = planRead;
