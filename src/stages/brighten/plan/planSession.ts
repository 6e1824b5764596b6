import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { addPlanned } from '@/work/brighten/planned';
import type { Piece } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';

interface Planned {
  from: Date;
  to: Date;
  /** Timer of a planned session that this one takes the place of. */
  inPlaceOf?: string | null;
}

const FARTHEST_MS = 366 * 24 * 3_600_000;

/**
 * Plans a session: it rings when its window opens, and stands on the page of its piece until it is begun or given up.
 *
 * @throws Refusal where it has begun already, is planned already, or is more than a year away
 */
export async function planSession(
  piece: Piece,
  school: SchoolId,
  { from, to, inPlaceOf = null }: Planned,
  now: Date,
): Promise<void> {
  if (from <= now) throw new Refusal('windowStart', 'This window is open now: start the exposure below instead.');
  if (to.getTime() - now.getTime() > FARTHEST_MS)
    throw new Refusal(
      'windowStart',
      'This window is more than a year away. Is its date right? Give one within the coming year.',
    );
  const { timeZone } = await getWorkshop();
  const clock = (time: Date, words = 'HH:mm') => showTime(time.toISOString(), timeZone, words);
  const { title, driver } = SCHOOL[school];
  const label = `${piece.tag} ${piece.name}: ${title.toLowerCase()} planned`;
  await addPlanned(
    piece,
    { school, from: from.toISOString(), to: to.toISOString() },
    inPlaceOf,
    {
      label,
      atTheBell: `${driver === 'sun' ? 'Sun' : 'Planned'} from ${clock(from)} to ${clock(to)}. Get it ready, and start the exposure under Brighten.`,
      words: `${label} for ${clock(from, 'EEE d MMM yyyy HH:mm')} to ${clock(to)}`,
    },
    now,
  );
}
