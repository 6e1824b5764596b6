import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { type PlannedSession, plannedIn } from '@/data/planned';
import type { Piece, Timer } from '@/data/rows';
import { changeRow } from '@/data/table';
import { addTimer } from '../timers';
import { Op } from 'sequelize';

/**
 * Plans a session of a piece; what was planned for the same hours gives way to it.
 *
 * @param inPlaceOf timer of a session that it takes the place of, whenever that was
 * @param words of the log
 * @throws Refusal where the same is planned already
 */
export async function addPlanned(
  { id, restorationId }: Piece,
  { school, from, to }: Pick<PlannedSession, 'school' | 'from' | 'to'>,
  inPlaceOf: string | null,
  { label, atTheBell, words }: Pick<Timer, 'label' | 'atTheBell'> & { words: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const planned = await plannedIn(restorationId);
    const gives = planned.filter(
      (other) => other.pieceId === id && (other.timerId === inPlaceOf || (other.from < to && other.to > from)),
    );
    if (
      gives.some(
        (other) => other.school === school && minute(other.from) === minute(from) && minute(other.to) === minute(to),
      )
    )
      throw new Refusal('windowStart', 'This session is planned already; it rings when its window opens.');
    await changeRow(
      'timers',
      { id: gives.map(({ timerId }) => timerId), endedAt: null },
      { endedAt: now.toISOString() },
    );
    await addTimer(
      { restorationId, pieceId: id, label, atTheBell, dueAt: from, plannedSchool: school, plannedTo: to },
      now,
    );
    const inPlace = gives.length > 0 ? ', in place of what was planned then' : '';
    await appendLog({ restorationId, stage: 'brighten', kind: 'plan', words: `${words}${inPlace}.` }, now);
  });
}

/** What was planned of a piece, or a restoration, up to a time has come, or has no more to come where none is given. */
export async function endPlanned(
  of: { pieceId: string } | { restorationId: string },
  until: Date | null,
  now: Date,
): Promise<void> {
  const opensBefore = until ? { dueAt: { [Op.lt]: until.toISOString() } } : {};
  await changeRow(
    'timers',
    { ...of, endedAt: null, plannedTo: { [Op.not]: null }, ...opensBefore },
    { endedAt: now.toISOString() },
  );
}

const minute = (time: string) => time.slice(0, 16);
