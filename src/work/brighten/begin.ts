import type { Use } from '../ledger';
import { named, together } from '../names';
import { beginRun, type Beginning } from '../run';
import { addTimer } from '../timers';
import { needsWashed } from '../wash/rules';
import { type RealEnd, endExposure } from './end';
import { endPlanned } from './planned';
import { CLOCKS_APART_MS, MINUTE_MS, needsNoOther, notAhead } from './times';
import { treatmentFor } from './treatments';
import { Refusal } from '@/core/refusal';
import { bellTime } from '@/core/runsheet/hours';
import { isPlastic } from '@/core/runsheet/stages';
import { tendingOf } from '@/core/session/gates';
import { SCHOOL } from '@/core/session/schools';
import { inTransaction } from '@/data/connection';
import type { Booked, Piece, Session, Treatment } from '@/data/rows';
import { addRow, needRow } from '@/data/table';
import { getWorkshop } from '@/data/workshop';

export type StartExposure = Pick<
  Treatment,
  'school' | 'stockId' | 'stockPercentWW' | 'targetPercentWW' | 'amountMl' | 'toleranceB'
> &
  Pick<
    Session,
    'plannedMin' | 'turnEveryMin' | 'cloudFraction' | 'lampMwPerCm2' | 'temperatureC' | 'cautions' | 'checks'
  > & {
    /** All that lie in it together; the first leads. */
    pieceIds: readonly string[];
    /** When it really began, ISO 8601; now where it begins now. */
    startedAt?: string;
    /** When it may get too warm in the sun, as it is expected; it rings then. */
    warmAt?: string | null;
    /** What of the bottle goes into all of it; `null` where the solution stands already. */
    takes?: Pick<Use, 'amount' | 'otherwise' | 'unit'> | null;
  };

/**
 * Starts an exposure of one or several pieces: treatments, sessions, one timer, and the log, in one.
 *
 * @returns the session that leads
 * @throws Refusal where a piece is already in one, is not washed, or the owner has not answered
 */
export async function startExposure(start: StartExposure, now: Date): Promise<Session> {
  return inTransaction(async () => {
    const given = start.startedAt ?? now.toISOString();
    if (Date.parse(given) > now.getTime() + CLOCKS_APART_MS)
      throw new Refusal('windowStart', 'This time has not come yet. Plan it for then, or start it now.');
    const begins = new Date(notAhead(given, now));
    const pieces = await Promise.all(start.pieceIds.map((id) => needRow('pieces', id)));
    for (const piece of pieces) {
      if (!isPlastic(piece.plastic))
        throw new Refusal(
          'pieceId',
          `${named(piece)} is ${piece.plastic}. Only plastic goes into peroxide; it ruins the rest.`,
        );
      await needsNoOther(piece, begins.toISOString(), null);
      await needsWashed(piece);
    }
    const brings = {
      name: 'Peroxide',
      families: ['peroxide'] as const,
      fields: { bench: 'pieceId', owner: 'pieceId' },
    };
    return beginExposure(start, pieces, begins, brings, now);
  });
}

/**
 * Writes down an exposure that is over already, with its real beginning and end. What was not washed or not asked is
 * not refused any more: it was done.
 */
export async function writeDownExposure(
  start: StartExposure & { startedAt: string },
  real: RealEnd,
  now: Date,
): Promise<Session> {
  return inTransaction(async () => {
    const pieces = await Promise.all(start.pieceIds.map((id) => needRow('pieces', id)));
    for (const piece of pieces) await needsNoOther(piece, start.startedAt, real.endedAt);
    const lead = await beginExposure(start, pieces, new Date(start.startedAt), null, now);
    return endExposure(lead.id, real, now);
  });
}

/** @param brings `null` for one that is over: it rings no more, and nothing holds it back */
async function beginExposure(
  start: StartExposure,
  pieces: readonly Piece[],
  begins: Date,
  brings: Beginning<unknown>['brings'],
  now: Date,
): Promise<Session> {
  const { school, stockId, targetPercentWW, plannedMin, cautions, checks } = start;
  const run: Beginning<Session[]> = {
    stage: 'brighten',
    kind: 'exposure',
    on: pieces.map(({ id: pieceId, restorationId }) => ({ restorationId, pieceId })),
    brings,
    takes: start.takes ? { ...start.takes, stockId, at: begins } : null,
    async keep(booked) {
      const sessions = await addSessions(start, pieces, begins, booked);
      if (brings) await startTimers(start, pieces, sessions[0]!, begins, now);
      return sessions;
    },
    told: (sessions) =>
      sessions.map(({ id: sessionId, restorationId, startedAt }, i) => {
        const beside = pieces.filter((_, k) => k !== i).map(({ tag }) => tag);
        const lain = `${named(pieces[i]!)}${beside.length > 0 ? `, together with ${beside.join(', ')}` : ''}`;
        const words = `Exposure started: ${lain}, ${SCHOOL[school].title.toLowerCase()}, ${targetPercentWW.toFixed(1)} %, ${plannedMin} min planned.`;
        return { restorationId, words, cautions, checks, data: { sessionId, begins: startedAt } };
      }),
  };
  const [lead] = await beginRun(run, now);
  return lead!;
}

/** The session of each piece, with its treatment; the first leads. */
async function addSessions(
  start: StartExposure,
  pieces: readonly Piece[],
  begins: Date,
  booked: Booked | null,
): Promise<Session[]> {
  const { plannedMin, turnEveryMin, cloudFraction, lampMwPerCm2, temperatureC, cautions, checks } = start;
  const { school, stockId, stockPercentWW, targetPercentWW, toleranceB } = start;
  const amountMl = start.amountMl / pieces.length;
  const way = { school, stockId, stockPercentWW, targetPercentWW, amountMl, toleranceB };
  const sessions: Session[] = [];
  for (const piece of pieces) {
    const treatment = await treatmentFor(piece.id, way, begins);
    const [lead = null] = sessions;
    sessions.push(
      await addRow('sessions', {
        treatmentId: treatment.id,
        restorationId: piece.restorationId,
        pieceId: piece.id,
        startedAt: begins.toISOString(),
        plannedMin,
        turnEveryMin,
        cloudFraction,
        lampMwPerCm2,
        temperatureC,
        cautions,
        turns: [],
        checks,
        readings: [],
        leadId: lead?.id ?? null,
        coats: [],
        takes: lead ? null : booked,
        endedAt: null,
        actualMin: null,
        dose: null,
        words: null,
      }),
    );
  }
  return sessions;
}

/** One bell for all that lie together, and one for each thing that is looked after. */
async function startTimers(
  start: StartExposure,
  pieces: readonly Piece[],
  lead: Session,
  begins: Date,
  now: Date,
): Promise<void> {
  const { plannedMin, turnEveryMin } = start;
  const { timeZone, hours } = await getWorkshop();
  const school = SCHOOL[start.school];
  const until = new Date(begins.getTime() + plannedMin * MINUTE_MS);
  const of = {
    restorationId: lead.restorationId,
    pieceId: lead.pieceId,
    sessionId: lead.id,
    startedAt: lead.startedAt,
    dueAt: until.toISOString(),
  };
  const next = (everyMin: number) => {
    const at = bellTime(
      new Date(Math.max(now.getTime(), begins.getTime() + everyMin * MINUTE_MS)),
      now,
      timeZone,
      hours,
    );
    return at < until ? at.toISOString() : null;
  };
  await addTimer(
    {
      ...of,
      kind: 'exposure',
      label: `${together(pieces)}: ${school.title.toLowerCase()}`,
      atTheBell: school.atTheBell,
      remindEveryMin: turnEveryMin,
      nextReminderAt: next(turnEveryMin),
    },
    now,
  );
  for (const { id } of pieces) await endPlanned({ pieceId: id }, until, now);
  const label = `${together(pieces)}: look after it`;
  for (const { everyMin, words } of tendingOf(school))
    if (everyMin < plannedMin)
      await addTimer({ ...of, label, atTheBell: words, remindEveryMin: everyMin, nextReminderAt: next(everyMin) }, now);
  // Too warm is too warm at any hour.
  if (start.warmAt && start.warmAt < of.dueAt)
    await addTimer(
      { ...of, label, atTheBell: TOO_WARM, remindEveryMin: WARMTH_EVERY_MIN, nextReminderAt: start.warmAt },
      now,
    );
}

const WARMTH_EVERY_MIN = 30;

const TOO_WARM =
  'It may be over 50 °C (122 °F) now: shade it or vent it, hold a thermometer to it, and put the reading in.';
