import { Refusal } from '@/core/refusal';
import { doseUnit, sessionDose } from '@/core/exposure/dose';
import { tendingOf } from '@/core/exposure/gates';
import { SCHOOL } from '@/core/exposure/schools';
import { inTransaction } from './connection';
import { bookMaterial, type Use } from './ledger';
import { appendLog } from './log';
import { needsNoAnswer } from './requests';
import { guardBench, needsWashed } from './wash';
import type { Session, Treatment } from './rows';
import { addRow, changeRow, findRows, needRow } from './table';
import { plansLooks } from './looks';
import { endPlanned } from './planned';
import { addTimer } from './timers';
import { getWorkshop, listObstacles } from './workshop';

const MINUTE_MS = 60_000;
const WARMTH_EVERY_MIN = 30;
const TOO_WARM = 'It may be over 50 °C (122 °F) now: shade it or vent it, hold a thermometer to it, and put the reading in.';

export const treatmentsOf = (restorationId: string): Promise<Treatment[]> => findRows('treatments', { restorationId }, [['plannedAt', 'ASC']]);
export const allTreatments = (): Promise<Treatment[]> => findRows('treatments', {});
export const sessionsOf = (restorationId: string): Promise<Session[]> => findRows('sessions', { restorationId }, [['startedAt', 'ASC']]);

export type StartExposure = Pick<Treatment, 'pieceId' | 'school' | 'stockId' | 'stockPercentWW' | 'targetPercentWW' | 'amountMl' | 'toleranceB'> &
  Pick<Session, 'plannedMin' | 'turnEveryMin' | 'cloudFraction' | 'lampMwPerCm2' | 'temperatureC' | 'cautions' | 'checks'> & {
    /** When it may get too warm in the sun, as it is expected; it rings then. */
    warmAt?: string | null;
    /** What of the bottle goes into it; `null` where the solution stands already. */
    takes?: Pick<Use, 'amount' | 'otherwise' | 'unit'> | null;
  };

async function treatmentFor(start: StartExposure, restorationId: string, now: Date): Promise<Treatment> {
  const [going] = await findRows('treatments', { pieceId: start.pieceId, school: start.school, endedAt: null }, [['plannedAt', 'DESC']]);
  if (going && going.targetPercentWW === start.targetPercentWW) return going;
  const [latest] = await findRows('measurements', { pieceId: start.pieceId, basis: 'card' }, [['measuredAt', 'DESC']]);
  await changeRow('treatments', { pieceId: start.pieceId, endedAt: null }, { endedAt: now.toISOString(), endedWhy: 'another way chosen' });
  const { pieceId, school, stockId, stockPercentWW, targetPercentWW, amountMl, toleranceB } = start;
  return addRow('treatments', {
    restorationId,
    pieceId,
    school,
    stockId,
    stockPercentWW,
    targetPercentWW,
    amountMl,
    toleranceB,
    plannedAt: now.toISOString(),
    startMeasurementId: latest?.id ?? null,
    endedAt: null,
    endedWhy: null,
  });
}

/**
 * Starts an exposure: treatment, session, timer and log in one.
 *
 * @throws Refusal where the piece is already in one
 */
export async function startExposure(start: StartExposure, now: Date): Promise<Session> {
  return inTransaction(async () => {
    const piece = await needRow('pieces', start.pieceId);
    const { restorationId } = piece;
    const [running] = await findRows('sessions', { pieceId: piece.id, endedAt: null });
    await needsWashed(piece);
    await guardBench('Peroxide', ['peroxide'], 'pieceId');
    await needsNoAnswer(restorationId, { about: 'treatment', stage: 'brighten', pieceId: piece.id }, 'pieceId');
    if (running) throw new Refusal('pieceId', `${piece.tag} ${piece.name} is already in an exposure. End that one first.`);
    const treatment = await treatmentFor(start, restorationId, now);
    const { plannedMin, turnEveryMin, cloudFraction, lampMwPerCm2, temperatureC, cautions, checks } = start;
    const session = await addRow('sessions', {
      treatmentId: treatment.id,
      restorationId,
      pieceId: piece.id,
      startedAt: now.toISOString(),
      plannedMin,
      turnEveryMin,
      cloudFraction,
      lampMwPerCm2,
      temperatureC,
      cautions,
      turns: [],
      checks,
      readings: [],
      endedAt: null,
      actualMin: null,
      dose: null,
      words: null,
      measurementId: null,
    });
    const school = SCHOOL[start.school];
    if (start.takes) await bookMaterial({ ...start.takes, restorationId, stage: 'brighten', stockId: start.stockId }, now);
    const until = new Date(now.getTime() + plannedMin * MINUTE_MS);
    await addTimer(
      {
        kind: 'exposure',
        restorationId,
        pieceId: piece.id,
        sessionId: session.id,
        label: `${piece.tag} ${piece.name}: ${school.title.toLowerCase()}`,
        atTheBell: school.atTheBell,
        dueAt: until.toISOString(),
        remindEveryMin: turnEveryMin,
        nextReminderAt: turnEveryMin < plannedMin ? new Date(now.getTime() + turnEveryMin * MINUTE_MS).toISOString() : null,
      },
      now,
    );
    await endPlanned({ pieceId: piece.id }, until, now);
    const first = now.getTime();
    const bells = [
      ...tendingOf(school).map((tended) => ({ ...tended, at: first + tended.everyMin * MINUTE_MS })),
      ...(start.warmAt ? [{ everyMin: WARMTH_EVERY_MIN, words: TOO_WARM, at: Date.parse(start.warmAt) }] : []),
    ];
    for (const { everyMin, words, at } of bells)
      if (at < until.getTime())
        await addTimer(
          {
            restorationId,
            pieceId: piece.id,
            sessionId: session.id,
            label: `${piece.tag} ${piece.name}: look after it`,
            atTheBell: words,
            dueAt: until.toISOString(),
            remindEveryMin: everyMin,
            nextReminderAt: new Date(at).toISOString(),
          },
          now,
        );
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'exposure',
        words: `Exposure started: ${piece.tag} ${piece.name}, ${school.title.toLowerCase()}, ${start.targetPercentWW.toFixed(1)} %, ${plannedMin} min planned. Cautions confirmed: ${cautions.map(({ hazard }) => hazard).join(' ')}${checks.length > 0 ? ` Checked: ${checks.join('; ')}.` : ''}`,
        data: { sessionId: session.id },
      },
      now,
    );
    return session;
  });
}

/**
 * Ends an exposure with what really happened; the dose follows from it.
 *
 * @throws Refusal when it ended before it began or somebody else ended it
 */
export async function endExposure(
  sessionId: string,
  real: { endedAt: string; cloudFraction: number; temperatureC: number; words: string },
  now: Date,
): Promise<Session> {
  const [workshop, shading] = await Promise.all([getWorkshop(), listObstacles()]);
  return inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    if (session.endedAt !== null) throw new Refusal('endedAt', 'This exposure was ended already, perhaps on another screen. Nothing was changed.');
    const elapsedMs = Date.parse(real.endedAt) - Date.parse(session.startedAt);
    // A clock on screen shows whole minutes: an end in the minute of the start is not before it.
    const minutes = Math.max(0, Math.round(elapsedMs / MINUTE_MS));
    if (elapsedMs <= -MINUTE_MS) throw new Refusal('endedAt', 'It would have ended before it began. Give a time after the start.');
    if (Date.parse(real.endedAt) > now.getTime() + 5 * MINUTE_MS)
      throw new Refusal('endedAt', 'This time has not come yet. Give when it really ended.');
    const treatment = await needRow('treatments', session.treatmentId);
    const school = SCHOOL[treatment.school];
    if (school.driver === 'sun' && (workshop.latitude === null || workshop.longitude === null))
      throw new Refusal('endedAt', 'The workshop has no place yet, so the sun’s dose cannot be worked out. Set the place under Workshop.');
    const dose = sessionDose(school, {
      place: { latitude: workshop.latitude ?? 0, longitude: workshop.longitude ?? 0, altitudeM: workshop.altitudeM },
      start: new Date(session.startedAt),
      durationMin: minutes,
      cloudFraction: real.cloudFraction,
      shading,
      lampMwPerCm2: session.lampMwPerCm2,
      temperatureC: real.temperatureC,
    });
    const ended = {
      endedAt: elapsedMs < 0 ? session.startedAt : real.endedAt,
      actualMin: minutes,
      dose,
      words: real.words,
      cloudFraction: real.cloudFraction,
      temperatureC: real.temperatureC,
    };
    if (!(await changeRow('sessions', { id: sessionId, endedAt: null }, ended)))
      throw new Refusal('endedAt', 'This exposure was ended already, perhaps on another screen. Nothing was changed.');
    await changeRow('timers', { sessionId, endedAt: null }, { endedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: session.restorationId,
        stage: 'brighten',
        kind: 'exposure',
        words:
          `Exposure ended after ${minutes} min, dose ${dose.toFixed(1)} ${doseUnit(school)}, ${session.turns.length} turns. ${real.words}`.trim(),
        data: { sessionId },
      },
      now,
    );
    return { ...session, ...ended };
  });
}

/** A reading further from the session than this is no reading of it. */
const READ_WITHIN_MS = 5 * MINUTE_MS;

/**
 * Keeps a thermometer's reading of a running exposure.
 *
 * @throws Refusal where it is over
 */
export async function readWarmth(sessionId: string, temperatureC: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    if (session.endedAt !== null) throw new Refusal('temperatureC', 'This exposure is over. Give the temperature on the whole with its end instead.');
    if (now.getTime() < Date.parse(session.startedAt) - READ_WITHIN_MS)
      throw new Refusal('temperatureC', 'By this clock the exposure has not begun yet. Set the clock of this device right, then read again.');
    await changeRow('sessions', { id: sessionId }, { readings: [...session.readings, { at: now.toISOString(), temperatureC }] });
    await appendLog(
      { restorationId: session.restorationId, stage: 'brighten', kind: 'warmth', words: `Read ${temperatureC.toFixed(0)} °C.`, data: { sessionId } },
      now,
    );
  });
}

/** Closes a treatment: matched, or given up, and why. */
export async function endTreatment(treatmentId: string, why: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const treatment = await needRow('treatments', treatmentId);
    const piece = await needRow('pieces', treatment.pieceId);
    const [running] = await findRows('sessions', { treatmentId, endedAt: null });
    if (running) throw new Refusal('treatment', 'An exposure of it still runs. End that first, with what really happened.');
    if (!(await changeRow('treatments', { id: treatmentId, endedAt: null }, { endedAt: now.toISOString(), endedWhy: why })))
      throw new Refusal('treatment', 'Its brightening was ended already, perhaps on another screen. Nothing was changed.');
    await plansLooks(treatment, now);
    await endPlanned({ pieceId: piece.id }, null, now);
    await appendLog(
      {
        restorationId: treatment.restorationId,
        stage: 'brighten',
        kind: 'treatment',
        words: `Brightening of ${piece.tag} ${piece.name} ended: ${why}`,
      },
      now,
    );
  });
}
