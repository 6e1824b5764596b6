import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { addPlanned, plannedIn, type PlannedSession } from '@/data/planned';
import type { Piece } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';

const FARTHEST_MS = 366 * 24 * 3_600_000;

/**
 * Plans a session: it rings when its window opens, and stands on the page of its piece until it is begun or given up.
 * What was planned for the same hours gives way to it.
 *
 * @throws Refusal where it has begun already, is planned already, or is more than a year away
 */
export async function planSession(piece: Piece, school: SchoolId, from: Date, to: Date, now = new Date()): Promise<void> {
  if (from <= now) throw new Refusal('from', 'This window is open now: start the exposure below instead.');
  if (to.getTime() - now.getTime() > FARTHEST_MS)
    throw new Refusal('windowStart', 'This window is more than a year away. Is its date right? Give one within the coming year.');
  const { timeZone } = await getWorkshop();
  const clock = (time: Date, words = 'HH:mm') => showTime(time.toISOString(), timeZone, words);
  const overlaps = (other: PlannedSession) => Date.parse(other.from) < to.getTime() && Date.parse(other.to) > from.getTime();
  const before = (await plannedIn(piece.restorationId)).filter((other) => other.pieceId === piece.id && overlaps(other));
  const minute = (time: string) => time.slice(0, 16);
  const same = (other: PlannedSession) =>
    other.school === school && minute(other.from) === minute(from.toISOString()) && minute(other.to) === minute(to.toISOString());
  if (before.some(same)) throw new Refusal('windowStart', 'This session is planned already; it rings when its window opens.');
  const label = `${piece.tag} ${piece.name}: ${SCHOOL[school].title.toLowerCase()} planned`;
  await addPlanned(
    piece,
    { school, from: from.toISOString(), to: to.toISOString(), inPlaceOf: before.map(({ timerId }) => timerId) },
    {
      label,
      atTheBell: `${SCHOOL[school].driver === 'sun' ? 'Sun' : 'Planned'} from ${clock(from)} to ${clock(to)}. Get it ready, and start the exposure under Brighten.`,
      words: `${label} for ${clock(from, 'EEE d MMM yyyy HH:mm')} to ${clock(to)}${before.length > 0 ? ', in place of what was planned then' : ''}.`,
    },
    now,
  );
}
