interface Spell {
  id: string;
  startedAt: string;
  endedAt: string | null;
}

interface Look {
  measuredAt: string;
}

/** The session that a measurement was taken after: the last that had ended by then; `null` before the first end. */
function sessionBefore<S extends Spell>({ measuredAt }: Look, sessions: readonly S[]): S | null {
  return sessions.reduce<S | null>((last, session) => {
    const { endedAt, startedAt } = session;
    if (endedAt === null || endedAt > measuredAt) return last;
    return !last || endedAt > last.endedAt! || (endedAt === last.endedAt && startedAt > last.startedAt)
      ? session
      : last;
  }, null);
}

/**
 * What each session came to, by time alone: a measurement belongs to the last session that had ended when its picture
 * was taken, and of several the newest counts. Who typed what first does not matter.
 *
 * @param sessions of one piece
 * @param looks of the same piece
 * @returns for each session that has one, by its id, the measurement that tells what it came to
 * @example measurementAfter([{ id: 'a', startedAt: '10', endedAt: '12' }], [{ measuredAt: '13' }]).get('a') // { measuredAt: '13' }
 */
export function measurementAfter<M extends Look>(sessions: readonly Spell[], looks: readonly M[]): Map<string, M> {
  const after = new Map<string, M>();
  for (const look of looks) {
    const session = sessionBefore(look, sessions);
    const known = session && after.get(session.id);
    if (session && (!known || known.measuredAt <= look.measuredAt)) after.set(session.id, look);
  }
  return after;
}

/** The session that still waits to be measured: the last that ended, as long as no picture was taken since. `null` where none does. */
export function waitsForMeasuring<S extends Spell>(sessions: readonly S[], looks: readonly Look[]): S | null {
  const last = sessionBefore({ measuredAt: '~' }, sessions);
  return last && !looks.some(({ measuredAt }) => measuredAt >= last.endedAt!) ? last : null;
}

interface Dosed extends Spell {
  dose: number;
}

/** Where a fade is counted from, and the doses since, each with what was measured after it. */
export interface FadeSoFar<M> {
  start: M;
  sessions: { dose: number; after: M | null }[];
}

/**
 * The stretch of a piece's past that its fade is read from: the measurement before the first dose, and every dose
 * since. A look that came only after some doses begins the count anew, since nobody knows where those set out from.
 *
 * @param doses sessions that are over, of one kind of dose
 * @param looks of the same piece
 * @returns `null` where nothing was measured
 */
export function fadeSoFar<M extends Look>(doses: readonly Dosed[], looks: readonly M[]): FadeSoFar<M> | null {
  const over = [...doses].sort((a, b) =>
    a.startedAt < b.startedAt ? -1 : a.startedAt > b.startedAt ? 1 : a.id < b.id ? -1 : 1,
  );
  const seen = [...looks].sort((a, b) => (a.measuredAt < b.measuredAt ? -1 : a.measuredAt > b.measuredAt ? 1 : 0));
  const after = measurementAfter(over, seen);
  const first = over[0];
  const before = first ? seen.findLast(({ measuredAt }) => measuredAt <= first.startedAt) : seen[seen.length - 1];
  const late = before ? -1 : over.findIndex(({ id }) => after.has(id));
  const start = before ?? (late < 0 ? undefined : after.get(over[late]!.id));
  if (!start) return null;
  return { start, sessions: over.slice(late + 1).map(({ id, dose }) => ({ dose, after: after.get(id) ?? null })) };
}
