import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import type { Piece } from '@/data/rows';
import { runningTimers, startTimer } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';

/**
 * Plans a session: a timer that rings when its window opens.
 *
 * @throws Refusal where it has begun already, or is planned already
 */
export async function planSession({ id, restorationId, tag, name }: Piece, school: SchoolId, from: Date, to: Date, now = new Date()): Promise<void> {
  if (from <= now) throw new Refusal('from', 'This window is open now: start the exposure below instead.');
  const { timeZone } = await getWorkshop();
  const clock = (time: Date) => showTime(time.toISOString(), timeZone, 'HH:mm');
  const label = `${tag} ${name}: ${SCHOOL[school].title.toLowerCase()} planned`;
  const dueAt = from.toISOString();
  if ((await runningTimers()).some((timer) => timer.pieceId === id && timer.label === label && timer.dueAt.slice(0, 16) === dueAt.slice(0, 16)))
    throw new Refusal('from', 'This session is planned already; it is among what runs.');
  await startTimer(
    {
      restorationId,
      pieceId: id,
      label,
      atTheBell: `Sun from ${clock(from)} to ${clock(to)}. Get it ready, and start the exposure under Brighten.`,
      minutes: (from.getTime() - now.getTime()) / 60_000,
    },
    now,
  );
}
