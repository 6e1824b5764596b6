import { Refusal } from '@/core/refusal';
import { bellTime } from '@/core/runsheet/hours';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Timer } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { Op } from 'sequelize';

/** Adds a timer within a step that has its own words in the log. */
export const addTimer = (timer: NewTimer, now: Date): Promise<Timer> =>
  addRow('timers', {
    kind: 'other',
    sessionId: null,
    repairId: null,
    startedAt: now.toISOString(),
    remindEveryMin: null,
    nextReminderAt: null,
    endedAt: null,
    plannedSchool: null,
    plannedTo: null,
    ...timer,
  });

/** Starts a timer that belongs to no exposure: a soak, a cure, drying. */
export async function startTimer(
  given: Pick<Timer, 'restorationId' | 'pieceId' | 'label' | 'atTheBell'> & { minutes: number },
  now: Date,
): Promise<Timer> {
  return inTransaction(async () => {
    const { minutes, ...timer } = given;
    if (given.restorationId !== null) await needRow('restorations', given.restorationId);
    const piece = given.pieceId === null ? null : await needRow('pieces', given.pieceId);
    if (piece && piece.restorationId !== given.restorationId)
      throw new Refusal('of', 'This piece belongs to another restoration. Choose it under its own machine.');
    const added = await addTimer({ ...timer, dueAt: new Date(now.getTime() + minutes * MINUTE_MS).toISOString() }, now);
    await appendLog(
      {
        restorationId: given.restorationId,
        stage: null,
        kind: 'timer',
        words: `${given.label}: ${Math.round(minutes)} min started.`,
      },
      now,
    );
    return added;
  });
}

/** A turn was made, of all that lie in it: the next reminder counts from now, and keeps to the hours when somebody is there. */
export async function noteTurn(timerId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const timer = await needRow('timers', timerId);
    if (timer.endedAt !== null || timer.remindEveryMin === null)
      throw new Refusal('timer', 'This timer has no more turns: it was ended meanwhile.');
    const { timeZone, hours } = await getWorkshop();
    const next = bellTime(
      new Date(now.getTime() + timer.remindEveryMin * MINUTE_MS),
      now,
      timeZone,
      hours,
    ).toISOString();
    await changeRow('timers', { id: timerId }, { nextReminderAt: next < timer.dueAt ? next : null });
    const tends = timer.kind !== 'exposure';
    if (timer.sessionId && !tends)
      for (const { id, turns } of await findRows('sessions', {
        [Op.or]: [{ id: timer.sessionId }, { leadId: timer.sessionId }],
      }))
        await changeRow('sessions', { id }, { turns: [...turns, now.toISOString()] });
    const words = tends ? `${timer.label}: done. ${timer.atTheBell}` : `Turned: ${timer.label}.`;
    await appendLog({ restorationId: timer.restorationId, stage: 'brighten', kind: 'turn', words }, now);
  });
}

/** Ends a timer that belongs to no exposure. */
export async function endTimer(timerId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const timer = await needRow('timers', timerId);
    if (timer.sessionId)
      throw new Refusal(
        'timer',
        'This timer belongs to an exposure. End it at the exposure, with what really happened.',
      );
    if (!(await changeRow('timers', { id: timerId, endedAt: null }, { endedAt: now.toISOString() }))) return;
    await appendLog(
      {
        restorationId: timer.restorationId,
        stage: null,
        kind: 'timer',
        words: `${timer.label}: ${timer.plannedTo ? 'given up' : 'ended'}.`,
      },
      now,
    );
  });
}

const MINUTE_MS = 60_000;

type NewTimer = Pick<Timer, 'restorationId' | 'pieceId' | 'label' | 'atTheBell' | 'dueAt'> & Partial<Timer>;
