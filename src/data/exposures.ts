import { doseUnit, sessionDose } from '@/core/fade/dose';
import { tendingOf } from '@/core/session/gates';
import { SCHOOL, type School } from '@/core/session/schools';
import { Refusal } from '@/core/refusal';
import { isPlastic } from '@/core/runsheet/stages';
import { bellTime } from '@/core/runsheet/hours';
import { inTransaction } from './connection';
import { bookMaterial, type Use } from './ledger';
import { appendLog } from './log';
import { endPlanned } from './planned';
import { needsNoAnswer } from './requests';
import type { Booked, Piece, Session, Treatment } from './rows';
import { addRow, changeRow, findRows, needRow } from './table';
import { takeBack } from './takenBack';
import { addTimer } from './timers';
import { sessionsOfPiece, treatmentFor } from './treatments';
import { guardBench, needsWashed } from './wash';
import { getWorkshop, listObstacles } from './workshop';

const MINUTE_MS = 60_000;
const WARMTH_EVERY_MIN = 30;
const TOO_WARM =
  'It may be over 50 °C (122 °F) now: shade it or vent it, hold a thermometer to it, and put the reading in.';
/** A clock on screen shows whole minutes, and two devices are never quite together. */
const CLOCKS_APART_MS = 5 * MINUTE_MS;

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

/** How it really ended. */
export interface RealEnd {
  endedAt: string;
  cloudFraction: number;
  temperatureC: number;
  words: string;
}

const named = ({ tag, name }: Piece) => `${tag} ${name}`;
/** Several pieces in one line: the tags of all. */
const together = (pieces: readonly Piece[]) =>
  pieces.length === 1 ? named(pieces[0]!) : pieces.map(({ tag }) => tag).join(' + ');

/** Sessions of one mixture, the one that leads first. */
export async function sessionsWith({ id, leadId }: Pick<Session, 'id' | 'leadId'>): Promise<Session[]> {
  const lead = leadId ?? id;
  return [await needRow('sessions', lead), ...(await findRows('sessions', { leadId: lead }, [['id', 'ASC']]))];
}

/** @throws Refusal where a piece already was in an exposure at that time */
async function needsNoOther(piece: Piece, from: string, to: string | null, but: string | null = null): Promise<void> {
  for (const other of await sessionsOfPiece(piece.id)) {
    if (other.id === but) continue;
    if (other.endedAt === null && to === null)
      throw new Refusal('pieceId', `${named(piece)} is already in an exposure. End that one first.`);
    const meets = other.startedAt < (to ?? '~') && from < (other.endedAt ?? '~');
    if (meets)
      throw new Refusal(
        'windowStart',
        `${named(piece)} was in another exposure at that time. Look at the sessions so far, and give the time that is right.`,
      );
  }
}

/** What goes into a mixture, booked to each restoration by the number of its pieces. */
async function bookMixture(start: StartExposure, pieces: readonly Piece[], at: Date): Promise<Booked | null> {
  if (!start.takes) return null;
  const all: Booked = { movementIds: [], ledgerIds: [] };
  for (const restorationId of new Set(pieces.map((piece) => piece.restorationId))) {
    const share = pieces.filter((piece) => piece.restorationId === restorationId).length / pieces.length;
    const use = {
      ...start.takes,
      amount: share * start.takes.amount,
      restorationId,
      stage: 'brighten' as const,
      stockId: start.stockId,
    };
    const { movementIds, ledgerIds } = await bookMaterial(use, at);
    all.movementIds.push(...movementIds);
    all.ledgerIds.push(...ledgerIds);
  }
  return all;
}

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
          `${piece.tag} ${piece.name} is ${piece.plastic}. Only plastic goes into peroxide; it ruins the rest.`,
        );
      await needsNoOther(piece, begins.toISOString(), null);
      await needsWashed(piece);
      await needsNoAnswer(piece.restorationId, { about: 'treatment', stage: 'brighten', pieceId: piece.id }, 'pieceId');
    }
    await guardBench('Peroxide', ['peroxide'], 'pieceId');
    const lead = await addSessions(start, pieces, begins, now);
    await startTimers(start, pieces, lead, begins, now);
    return lead;
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
    const lead = await addSessions(start, pieces, new Date(start.startedAt), now);
    return endExposure(lead.id, real, now);
  });
}

async function addSessions(start: StartExposure, pieces: readonly Piece[], begins: Date, now: Date): Promise<Session> {
  const { plannedMin, turnEveryMin, cloudFraction, lampMwPerCm2, temperatureC, cautions, checks, stockId } = start;
  const { school, stockPercentWW, targetPercentWW, toleranceB } = start;
  const booked = await bookMixture(start, pieces, begins);
  let lead: Session | null = null;
  for (const piece of pieces) {
    const way = {
      school,
      stockId,
      stockPercentWW,
      targetPercentWW,
      amountMl: start.amountMl / pieces.length,
      toleranceB,
    };
    const treatment = await treatmentFor(piece.id, way, begins);
    const session: Session = await addRow('sessions', {
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
    });
    lead ??= session;
    const beside = pieces.filter((other) => other !== piece).map(({ tag }) => tag);
    const confirmed =
      cautions.length > 0 ? ` Cautions confirmed: ${cautions.map(({ hazard }) => hazard).join(' ')}` : '';
    await appendLog(
      {
        restorationId: piece.restorationId,
        stage: 'brighten',
        kind: 'exposure',
        words: `Exposure started: ${named(piece)}${beside.length > 0 ? `, together with ${beside.join(', ')}` : ''}, ${SCHOOL[school].title.toLowerCase()}, ${targetPercentWW.toFixed(1)} %, ${plannedMin} min planned.${confirmed}${checks.length > 0 ? ` Checked: ${checks.join('; ')}.` : ''}`,
        data: { sessionId: session.id, begins: session.startedAt },
      },
      now,
    );
  }
  return lead!;
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

type Real = Pick<Session, 'startedAt' | 'cloudFraction' | 'temperatureC' | 'lampMwPerCm2'> & { endedAt: string };

/** Minutes and dose of a session as it really was. @throws Refusal without a place where the sun drives it */
async function doseOf(
  school: School,
  { startedAt, endedAt, cloudFraction, temperatureC, lampMwPerCm2 }: Real,
): Promise<{ minutes: number; dose: number }> {
  const [{ latitude, longitude, altitudeM }, shading] = await Promise.all([getWorkshop(), listObstacles()]);
  if (school.driver === 'sun' && (latitude === null || longitude === null))
    throw new Refusal(
      'endedAt',
      'The workshop has no place yet, so the sun’s dose cannot be worked out. Set the place under Workshop.',
    );
  const minutes = Math.max(0, Math.round((Date.parse(endedAt) - Date.parse(startedAt)) / MINUTE_MS));
  const dose = sessionDose(school, {
    place: { latitude: latitude ?? 0, longitude: longitude ?? 0, altitudeM },
    start: new Date(startedAt),
    durationMin: minutes,
    cloudFraction,
    shading,
    lampMwPerCm2,
    temperatureC,
  });
  return { minutes, dose };
}

/** A time given by a device whose clock goes ahead is this minute: what is measured after it would else come before it. */
const notAhead = (given: string, now: Date): string =>
  Date.parse(given) <= now.getTime()
    ? given
    : new Date(Math.floor(now.getTime() / MINUTE_MS) * MINUTE_MS).toISOString();

/**
 * The end as it is kept.
 *
 * @throws Refusal for one that has not come yet, or that leaves nothing between
 */
function endOf(startedAt: string, given: string, now: Date): string {
  // A clock that stands before the beginning was set back since: what it says of today rules nothing out.
  const isSetBack = now.getTime() < Date.parse(startedAt);
  if (!isSetBack && Date.parse(given) > now.getTime() + CLOCKS_APART_MS)
    throw new Refusal('endedAt', 'This time has not come yet. Give when it really ended.');
  const endedAt = isSetBack ? given : notAhead(given, now);
  if (isSetBack && Date.parse(given) <= Date.parse(startedAt))
    throw new Refusal(
      'endedAt',
      'The clock of this machine was set back since it began. Give the end by the clock that it began with, or put its beginning right.',
    );
  const elapsedMs = Date.parse(endedAt) - Date.parse(startedAt);
  if (elapsedMs <= -MINUTE_MS)
    throw new Refusal('endedAt', 'It would have ended before it began. Give a time after the start.');
  if (elapsedMs < MINUTE_MS)
    throw new Refusal(
      'endedAt',
      'It would have lasted no minute, and that brings nothing. Give when it really ended, or take the session back.',
    );
  return endedAt;
}

/**
 * Ends an exposure, with all that lie in it, by what really happened; the doses follow from it.
 *
 * @returns the session that leads
 * @throws Refusal when it ended before it began, has no length, or somebody else ended it
 */
export async function endExposure(sessionId: string, given: RealEnd, now: Date): Promise<Session> {
  return inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    const over = () =>
      new Refusal('endedAt', 'This exposure was ended already, perhaps on another screen. Nothing was changed.');
    const running = all.filter(({ endedAt }) => endedAt === null);
    if (running.length === 0) throw over();
    const real = { ...given, endedAt: endOf(lead.startedAt, given.endedAt, now) };
    for (const session of running) {
      const { school: id } = await needRow('treatments', session.treatmentId);
      const school = SCHOOL[id];
      const { minutes, dose } = await doseOf(school, { ...session, ...real });
      if (!(await changeRow('sessions', { id: session.id, endedAt: null }, { ...real, actualMin: minutes, dose })))
        throw over();
      const words = `Exposure ended after ${minutes} min, dose ${dose.toFixed(1)} ${doseUnit(school)}, ${session.turns.length} turns. ${real.words}`;
      const { restorationId } = session;
      await appendLog(
        { restorationId, stage: 'brighten', kind: 'exposure', words: words.trim(), data: { sessionId: session.id } },
        now,
      );
    }
    await changeRow('timers', { sessionId: lead.id, endedAt: null }, { endedAt: now.toISOString() });
    return needRow('sessions', lead.id);
  });
}

/** A reading further from the session than this is no reading of it. */
const READ_WITHIN_MS = 5 * MINUTE_MS;

/**
 * Keeps a thermometer's reading of a running exposure, for all that lie in it.
 *
 * @throws Refusal where it is over
 */
export async function readWarmth(sessionId: string, temperatureC: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    if (session.endedAt !== null)
      throw new Refusal(
        'temperatureC',
        'This exposure is over. Give the temperature on the whole with its end instead.',
      );
    if (now.getTime() < Date.parse(session.startedAt) - READ_WITHIN_MS)
      throw new Refusal(
        'temperatureC',
        'By this clock the exposure has not begun yet. Set the clock of this device right, then read again.',
      );
    const readings = [...session.readings, { at: now.toISOString(), temperatureC }];
    await changeRow('sessions', { id: (await sessionsWith(session)).map(({ id }) => id) }, { readings });
    const { restorationId } = session;
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'warmth',
        words: `Read ${temperatureC.toFixed(0)} °C.`,
        data: { sessionId },
      },
      now,
    );
  });
}

/**
 * Fresh cream was brushed on while an exposure runs: it comes out of the tube.
 *
 * @throws Refusal where it is over, or takes no cream
 */
export async function freshCoat(sessionId: string, amountMl: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    if (lead.endedAt !== null)
      throw new Refusal('amountMl', 'This exposure is over. What was brushed on belongs to one that runs.');
    const { school, stockId, stockPercentWW } = await needRow('treatments', lead.treatmentId);
    if (SCHOOL[school].medium !== 'cream')
      throw new Refusal('amountMl', 'This way takes no cream. Renew the solution instead.');
    const { restorationId } = lead;
    const use = {
      restorationId,
      stage: 'brighten',
      stockId,
      amount: amountMl,
      otherwise: `peroxide cream, ${stockPercentWW.toFixed(1)} %`,
      unit: 'mL',
    } as const;
    const coats = [...lead.coats, { at: now.toISOString(), amountMl, ...(await bookMaterial(use, now)) }];
    await changeRow('sessions', { id: all.map(({ id }) => id) }, { coats });
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'coat',
        words: `Fresh cream, ${amountMl.toFixed(0)} mL.`,
        data: { sessionId: lead.id },
      },
      now,
    );
  });
}

/** What can be put right of a session afterwards. */
export type Correction = Pick<Session, 'startedAt' | 'cloudFraction' | 'lampMwPerCm2' | 'temperatureC'> & {
  endedAt: string | null;
  turns: number;
  words: string;
};

/** So many turns, as they were noted as far as there are; those that nobody noted lie evenly over the session. */
function turnsAsCounted(noted: readonly string[], count: number, from: string, to: string): string[] {
  if (count <= noted.length) return noted.slice(0, count);
  const [begin, span] = [Date.parse(from), Date.parse(to) - Date.parse(from)];
  return Array.from({ length: count }, (_, i) => new Date(begin + ((i + 1) * span) / (count + 1)).toISOString());
}

/**
 * Puts a session right that was written down wrong. What it was before stays in the log; the dose is worked out anew.
 *
 * @throws Refusal for times that cannot be, or that meet another session of the piece
 */
export async function correctSession(sessionId: string, right: Correction, now: Date): Promise<void> {
  await inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    const piece = await needRow('pieces', session.pieceId);
    if ((session.endedAt === null) !== (right.endedAt === null))
      throw new Refusal(
        'endedAt',
        session.endedAt === null ? 'It still runs. End it where it is shown as running.' : 'Give when it really ended.',
      );
    if (Date.parse(right.startedAt) > now.getTime() + CLOCKS_APART_MS)
      throw new Refusal('startedAt', 'It has begun already: this time has not come yet.');
    await needsNoOther(piece, right.startedAt, right.endedAt, session.id).catch((refusal: unknown) => {
      throw refusal instanceof Refusal ? new Refusal('startedAt', refusal.message) : refusal;
    });
    const { school: id } = await needRow('treatments', session.treatmentId);
    const { turns, ...rest } = right;
    const noted = turnsAsCounted(session.turns, turns, right.startedAt, right.endedAt ?? now.toISOString());
    const changes: Partial<Session> = { ...rest, turns: noted };
    if (right.endedAt !== null) {
      const endedAt = endOf(right.startedAt, right.endedAt, now);
      const { minutes, dose } = await doseOf(SCHOOL[id], { ...right, endedAt });
      Object.assign(changes, { endedAt, actualMin: minutes, dose });
    } else await moveTimers(session, right.startedAt);
    await changeRow('sessions', { id: sessionId }, changes);
    const before = Object.fromEntries(Object.keys(changes).map((key) => [key, session[key as keyof Session]]));
    const { restorationId } = session;
    const [wrong] = await findRows('log', { restorationId, kind: 'exposure', 'data.sessionId': sessionId }, [
      ['id', 'DESC'],
    ]);
    const words = `Corrected: ${named(piece)}, ${SCHOOL[id].title.toLowerCase()}${changes.dose === undefined ? '' : `, ${changes.actualMin ?? 0} min, dose ${changes.dose!.toFixed(1)} ${doseUnit(SCHOOL[id])}, ${noted.length} turns`}. ${right.words}`;
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'exposure',
        words: words.trim(),
        data: { sessionId, before, after: changes },
        corrects: wrong?.id ?? null,
      },
      now,
    );
  });
}

/** A running session began at another time: its bells move along. */
async function moveTimers({ id, leadId, startedAt, plannedMin }: Session, to: string): Promise<void> {
  if (leadId !== null) return;
  const by = Date.parse(to) - Date.parse(startedAt);
  const moved = (time: string | null) => time && new Date(Date.parse(time) + by).toISOString();
  const dueAt = new Date(Date.parse(to) + plannedMin * MINUTE_MS).toISOString();
  for (const timer of await findRows('timers', { sessionId: id, endedAt: null }))
    await changeRow('timers', { id: timer.id }, { startedAt: to, dueAt, nextReminderAt: moved(timer.nextReminderAt) });
}

/**
 * Takes a session back that never was: it goes with all that lay in it, its bells, and what it took of the bottle.
 *
 * @returns id by which it is brought back
 */
export async function takeSessionBack(sessionId: string, now: Date): Promise<string> {
  return inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    const pieces = await Promise.all(all.map(({ pieceId }) => needRow('pieces', pieceId)));
    const ids = all.map(({ id }) => id);
    const empty: string[] = [];
    for (const { treatmentId } of all)
      if ((await findRows('sessions', { treatmentId })).every(({ id }) => ids.includes(id))) empty.push(treatmentId);
    const looked = await findRows('looks_again', { treatmentId: empty });
    const booked = [...(lead.takes ? [lead.takes] : []), ...lead.coats];
    return takeBack(
      {
        restorationId: lead.restorationId,
        stage: 'brighten',
        what: `the exposure of ${together(pieces)} that began ${lead.startedAt.slice(0, 16).replace('T', ' ')} UTC`,
        remove: [
          { table: 'timers', where: { sessionId: ids } },
          { table: 'movements', where: { id: booked.flatMap(({ movementIds }) => movementIds) } },
          { table: 'ledger', where: { id: booked.flatMap(({ ledgerIds }) => ledgerIds) } },
          { table: 'sessions', where: { leadId: lead.id } },
          { table: 'sessions', where: { id: lead.id } },
          { table: 'treatments', where: { id: looked.length > 0 ? [] : empty } },
        ],
      },
      now,
    );
  });
}
