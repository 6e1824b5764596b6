import type { Fault, FaultKind } from '../face/fault';
import { SCHOOL, type School, type SchoolId } from '../session/schools';

/** How a piece became uneven: in a session of a kind, or before any, by its life. */
export type Went = 'film' | 'bag' | 'bath' | 'vapour' | 'soak' | 'life';

type Named = Exclude<FaultKind, 'even'>;

export interface UnevenWords {
  what: string;
  /** What mends it now. */
  now: string;
  /** What to do otherwise; missing where no session was at fault. */
  nextTime?: string;
}

/** The kind of session that a way is, as far as its marks go. */
export function wentBy({ medium, solution }: Pick<School, 'medium' | 'solution'>): Went {
  if (medium === 'cream') return 'film';
  if (medium === 'powder') return 'soak';
  return solution === 'bag' ? 'bag' : solution === 'pool' ? 'vapour' : 'bath';
}

/**
 * What a piece went through last before a picture of it was taken; `life` before any session.
 *
 * @param at when the picture was taken, ISO 8601
 */
export function wentBefore(
  at: string,
  sessions: readonly { treatmentId: string; endedAt: string | null }[],
  treatments: readonly { id: string; school: SchoolId }[],
): Went {
  const last = sessions.reduce<string | null>(
    (newest, { endedAt }) => (endedAt !== null && endedAt <= at && (!newest || endedAt > newest) ? endedAt : newest),
    null,
  );
  const session = last && sessions.find(({ endedAt }) => endedAt === last);
  const treatment = session && treatments.find(({ id }) => id === session.treatmentId);
  return treatment ? wentBy(SCHOOL[treatment.school]) : 'life';
}

const WHOLE_FACE =
  'Treat the whole face: what is pale now is nearest to the first colour, and may serve as the hidden patch.';
const SHORT_EVEN = 'One short, even session, moved often. Not more of the same.';
const YELLOW_SIDE = 'A short session with the yellower side to the light, then one with all of it turned evenly.';

const WORDS: Record<Went, Record<Named, UnevenWords>> = {
  life: {
    'fold lines': {
      what: 'Lines run across it. No session made them: an edge that stood on it, ridges, or scratches filled with dirt.',
      now: WHOLE_FACE,
    },
    'one side': {
      what: 'One side is yellower. It aged so: that side faced the window, or the other stood in the shade.',
      now: WHOLE_FACE,
    },
    'thick spots': {
      what: 'Patches stand out. It aged so: a label or something that stood on it kept the light off.',
      now: WHOLE_FACE,
    },
    marbling: {
      what: 'It is uneven all over. It aged so, or dirt still lies on it: wash it before you judge it.',
      now: WHOLE_FACE,
    },
  },
  film: {
    'fold lines': {
      what: 'Thin lines, as folds of the film leave them where cream stands off or dries.',
      nextTime: 'Lay the film smooth from the middle, press the air out, massage it at every turn, keep the cream wet.',
      now: 'One short, even session: fresh cream all over, new film, turned often. Not more of the same.',
    },
    'one side': {
      what: 'One side is yellower, as when the light came from the other.',
      nextTime: 'Turn it by the plan, and prop up the edge that it names.',
      now: YELLOW_SIDE,
    },
    'thick spots': {
      what: 'Rounded spots, as cream leaves them where it sat thick or was missing.',
      nextTime: 'Brush it to one thickness and spread it again under the film at every turn.',
      now: 'One short, even session with a thin coat all over. The spots fade into it.',
    },
    marbling: {
      what: 'Marbling all over, as cream leaves it that was not spread evenly.',
      nextTime: 'Brush it to one thickness, and massage it under the film at every turn.',
      now: 'One short, even session: fresh cream all over, new film, turned often.',
    },
  },
  bag: {
    'fold lines': {
      what: 'Thin lines, as folds of the bag leave them where they lay on it.',
      nextTime: 'Leave room and liquid in the bag, and shake the pieces over at every turn.',
      now: SHORT_EVEN,
    },
    'one side': {
      what: 'One side is yellower, as when the bag lay on it.',
      nextTime: 'Turn the bag over as often as round.',
      now: YELLOW_SIDE,
    },
    'thick spots': {
      what: 'Rounded spots, as bubbles leave them, or pieces that lay on each other.',
      nextTime: 'Vent it and shake the bubbles off at every turn; one layer only.',
      now: SHORT_EVEN,
    },
    marbling: {
      what: 'Marbling all over, as pieces get it that lay on each other.',
      nextTime: 'Fewer pieces in a bag, shaken over at every turn.',
      now: SHORT_EVEN,
    },
  },
  bath: {
    'fold lines': {
      what: 'Lines across it, as the edge of the solution leaves them, or a piece that lay over it.',
      nextTime: 'Weigh it down under the surface, and let no piece lie on another.',
      now: SHORT_EVEN,
    },
    'one side': {
      what: 'One side is yellower, as when the light came from the other or one side stood out of the bath.',
      nextTime: 'Turn it at every bell, and keep all of it under.',
      now: YELLOW_SIDE,
    },
    'thick spots': {
      what: 'Rounded spots, as bubbles and froth leave them.',
      nextTime: 'Skim the froth and wipe the bubbles off at every bell.',
      now: SHORT_EVEN,
    },
    marbling: {
      what: 'Marbling all over, as a bath leaves it that nobody stirred.',
      nextTime: 'Stir the solution well, and move the pieces at every bell.',
      now: SHORT_EVEN,
    },
  },
  vapour: {
    'fold lines': {
      what: 'Lines across it, as the bars of the rack leave them.',
      nextTime: 'Turn it over once a day, on thin supports.',
      now: SHORT_EVEN,
    },
    'one side': {
      what: 'One side is yellower, as when the other was nearer to the pool or the warmth.',
      nextTime: 'Turn it round once a day, and warm the box evenly.',
      now: 'Another day in the box, the yellower side to the pool.',
    },
    'thick spots': {
      what: 'Rounded spots, as drops leave them that fall from the lid.',
      nextTime: 'Lay the lid on at a slant, so that drops run off beside the pieces.',
      now: SHORT_EVEN,
    },
    marbling: {
      what: 'It is uneven all over, as vapour leaves pieces that are crowded.',
      nextTime: 'Leave room between the pieces.',
      now: SHORT_EVEN,
    },
  },
  soak: {
    'fold lines': {
      what: 'Lines across it, as pieces leave them that lay upon each other.',
      nextTime: 'One layer only, moved every hour.',
      now: SHORT_EVEN,
    },
    'one side': {
      what: 'One side is yellower, as when it lay on the floor of the tub.',
      nextTime: 'Turn the pieces over every hour.',
      now: SHORT_EVEN,
    },
    'thick spots': {
      what: 'Rounded spots, as powder leaves them that was not dissolved.',
      nextTime: 'Stir all of the powder in before the pieces.',
      now: SHORT_EVEN,
    },
    marbling: {
      what: 'Marbling all over, as powder or solution leaves it that did not move, or pieces that lay upon each other.',
      nextTime: 'Stir all of the powder in before the pieces, move them every hour, one layer only.',
      now: 'A bath or vapour, moved often and short. A soak of the same would only deepen it.',
    },
  },
};

/** What kind of unevenness a face shows, in the words of the way that it went; before any session, how it aged. `null` where it is even. */
export function unevenWords({ kind }: Pick<Fault, 'kind'>, went: Went): UnevenWords | null {
  return kind === 'even' ? null : WORDS[went][kind];
}
