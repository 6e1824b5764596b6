'use server';

import { revalidatePath } from 'next/cache';
import { planExposure, PURE_POWDER_PERCENT, type ExposurePlan } from '@/core/exposure/plan';
import { gatesLeft, gatesOf, type Gate } from '@/core/exposure/gates';
import { SCHOOL } from '@/core/exposure/schools';
import { warmthInSun, type Warmth } from '@/core/exposure/warmth';
import { peroxideStrength } from '@/core/peroxide/strength';
import { Refusal } from '@/core/refusal';
import { dayAround, fromLocalField } from '@/core/runsheet/time';
import { sunDay, type SunDay } from '@/core/sun/day';
import { findPiece } from '@/data/pieces';
import type { Piece, StockItem, Workshop } from '@/data/rows';
import { addLedgerEntry } from '@/data/ledger';
import { findStock } from '@/data/stock';
import { noteTurn } from '@/data/timers';
import { endExposure, endTreatment, readWarmth, startExposure } from '@/data/treatments';
import { hoursFromRows } from '@/core/sun/weatherHours';
import { keptIn } from '@/data/looks';
import { forgetHours, keepHours } from '@/data/weather';
import { getWorkshop, listObstacles } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { fromCsv } from '@/edge/csv';
import { write } from '@/edge/write';
import Joi from 'joi';
import { historyOf, yellowOf } from './history';
import { turnsOf, type TurnView } from './turnsOf';
import { whatChanged, type FaceChange } from './change';
import { readFacts } from './facts';
import { pastPieces, pooledFrom } from './pooled';
import { predicted, type Predicted } from './predict';
import { graded, nextExercise, rehearsed, type ExerciseView, type Graded, type RehearsalView } from './rehearsal';
import {
  answerSchema,
  endSchema,
  keptSchema,
  lookSchema,
  skyFileSchema,
  planSchema,
  warmthSchema,
  rehearseSchema,
  turnSchema,
  type PlanForm,
} from './schema';

type Given = Record<string, unknown>;

interface Worked {
  plan: ExposurePlan;
  gates: Gate[];
  warmth: Warmth | null;
  piece: Piece;
  stock: StockItem | null;
  stockPercentWW: number;
  workshop: Workshop;
  windowStart: string;
}

async function strengthOf(form: PlanForm): Promise<{ stock: StockItem | null; stockPercentWW: number }> {
  const stock = form.stockId ? await findStock(form.stockId) : null;
  if (form.stockId && !stock) throw new Refusal('stockId', 'This bottle is not in the stores any more. Choose another.');
  const value = stock ? stock.strengthValue : form.strengthValue;
  const unit = stock ? stock.strengthUnit : form.strengthUnit;
  if (!value || !unit) throw new Refusal('stockId', 'This bottle has no strength on record. Choose another, or give the strength of its label.');
  // A tub of powder states its share of percarbonate; what counts is the peroxide that it sets free.
  if (SCHOOL[form.school].medium === 'powder') return { stock, stockPercentWW: (Math.min(100, value) * PURE_POWDER_PERCENT) / 100 };
  return { stock, stockPercentWW: peroxideStrength(value, unit).percentWW };
}

async function workOut(form: PlanForm): Promise<Worked> {
  const piece = await findPiece(form.pieceId);
  if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
  const workshop = await getWorkshop();
  const school = SCHOOL[form.school];
  if (school.driver === 'sun' && (workshop.latitude === null || workshop.longitude === null))
    throw new Refusal('school', 'The workshop has no place yet, so there is no sun to count with. Set it under Workshop, or choose lamp or vapour.');
  const windowStart = fromLocalField(form.windowStart, workshop.timeZone);
  if (!windowStart) throw new Refusal('windowStart', 'Give date and time, like 2026-06-21 10:00.');
  const { stock, stockPercentWW } = await strengthOf(form);
  const [past, facts, obstacles, history] = await Promise.all([pastPieces(piece), readFacts(piece), listObstacles(), historyOf(piece)]);
  const pooled = pooledFrom(past, school, piece.plastic);
  const place = { latitude: workshop.latitude ?? 0, longitude: workshop.longitude ?? 0, altitudeM: workshop.altitudeM };
  // This way on this plastic: tried on another piece, or on this one before.
  const tried = [{ piece, history }, ...past].some(
    (one) => one.piece.plastic === piece.plastic && one.history.treatments.some(({ school: went }) => went === school.id),
  );
  const sun = {
    place,
    start: new Date(windowStart),
    durationMin: form.durationMin,
    cloudFraction: form.cloudPercent / 100,
  };
  const plan = planExposure({
    school,
    stockPercentWW,
    targetPercentWW: form.targetPercentWW,
    volumeL: form.volumeL,
    areaCm2: form.areaCm2,
    toleranceB: form.toleranceB,
    yellow: yellowOf(piece, history, school),
    ...sun,
    lampMwPerCm2: form.lampMwPerCm2,
    temperatureC: form.temperatureC,
    ...(pooled.pieces > 0 && { prior: pooled.prior }),
  });
  return {
    plan,
    gates: gatesOf(school, facts, tried),
    warmth: school.driver === 'sun' ? warmthInSun({ school, ...sun, shading: obstacles, airC: form.temperatureC }) : null,
    piece,
    stock,
    stockPercentWW,
    workshop,
    windowStart,
  };
}

export interface PlanView {
  plan: ExposurePlan;
  /** What has to be said done before the start. */
  gates: Gate[];
  /** How warm it gets in the sun; `null` where no sun is used. */
  warmth: Warmth | null;
  /** The sun's course on the day of the window; `null` where no place is known or no sun is used. */
  day: SunDay | null;
  windowStart: string;
}

/** The plan of the form as it stands; nothing is kept. */
export async function plan(given: Given): Promise<Answer<PlanView>> {
  return answer(planSchema, given, async (form) => {
    const { plan: worked, gates, warmth, workshop, windowStart } = await workOut(form);
    const { latitude, longitude, altitudeM, timeZone } = workshop;
    if (SCHOOL[form.school].driver !== 'sun' || latitude === null || longitude === null)
      return { plan: worked, gates, warmth: null, day: null, windowStart };
    const { start, hours } = dayAround(new Date(windowStart), timeZone);
    return { plan: worked, gates, warmth, day: sunDay({ latitude, longitude, altitudeM }, start, hours, form.cloudPercent / 100), windowStart };
  });
}

/** Starts the exposure now. */
export async function start(given: Given): Promise<Answer<string>> {
  const answered = await answer(planSchema, given, async (form) => {
    if (!form.cautionsConfirmed) throw new Refusal('cautionsConfirmed', 'Read the cautions and confirm them before you start.');
    const { plan: worked, gates, piece, stock, stockPercentWW } = await workOut(form);
    if (piece.metalInside)
      throw new Refusal(
        'pieceId',
        `There is still metal in ${piece.tag} (${piece.metalInside}). Peroxide attacks it and it stains the plastic: take it out, and clear it on the piece’s page.`,
      );
    const left = gatesLeft(gates, form.checks);
    if (left.length > 0)
      throw new Refusal('checks', `Not said done yet: ${left.map(({ words }) => words).join('; ')}. Tick it when it is, then start.`);
    const session = await startExposure({
      pieceId: form.pieceId,
      school: form.school,
      stockId: form.stockId,
      stockPercentWW,
      targetPercentWW: worked.percentWW,
      amountMl: worked.creamMl ?? form.volumeL * 1000,
      toleranceB: form.toleranceB,
      plannedMin: form.durationMin,
      turnEveryMin: form.turnEveryMin,
      cloudFraction: form.cloudPercent / 100,
      lampMwPerCm2: form.lampMwPerCm2,
      temperatureC: form.temperatureC,
      cautions: worked.cautions,
      checks: gates.map(({ words }) => words),
    });
    const cost = stock?.priceMinor && stock.sizeMl ? Math.round((stock.priceMinor * worked.stockMl) / stock.sizeMl) : 0;
    const words = `${Math.round(worked.stockMl)} ${worked.powderG === null ? 'mL' : 'g'} of ${stock?.name ?? `peroxide, ${stockPercentWW.toFixed(1)} %`}`;
    await addLedgerEntry({ restorationId: piece.restorationId, stage: 'brighten', kind: 'material', words, amountMinor: cost, minutes: 0 });
    return session.id;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** Ends the exposure with what really happened. */
export async function end(given: Given): Promise<Answer<null>> {
  const answered = await answer(endSchema, given, async ({ sessionId, endedAt, cloudPercent, temperatureC, words }) => {
    const { timeZone } = await getWorkshop();
    const instant = fromLocalField(endedAt, timeZone);
    if (!instant) throw new Refusal('endedAt', 'Give date and time, like 2026-06-21 14:00.');
    await endExposure(sessionId, { endedAt: instant, cloudFraction: cloudPercent / 100, temperatureC, words });
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

const idSchema = (name: string) =>
  Joi.object<Record<string, string>>({ [name]: Joi.string().required(), why: Joi.string().trim().max(1000).allow('') });

/** A thermometer was read. */
export async function warmthRead(given: Given): Promise<Answer<null>> {
  const answered = await answer(warmthSchema, given, async ({ sessionId, temperatureC }) => {
    await readWarmth(sessionId, temperatureC);
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** The sky of the hours that one looks at now. */
export async function skyNow(given: Given): Promise<Answer<void>> {
  return write(lookSchema, given, ({ cloudPercent, forHours }) => {
    const hour = Math.floor(Date.now() / 3_600_000) * 3_600_000;
    const hours = Array.from({ length: forHours }, (_, i) => ({ at: new Date(hour + i * 3_600_000), cloud: cloudPercent / 100 }));
    return keepHours(hours, 'look', `Looked at the sky: ${cloudPercent} % covered, taken for ${forHours} h.`);
  });
}

/** Hours of sky from a file. */
export async function skyFromFile(given: Given): Promise<Answer<{ words: string }>> {
  return write(skyFileSchema, given, async ({ text, name }) => {
    const { rows, wrong } = fromCsv(text);
    if (wrong.length > 0)
      throw new Refusal('file', `This is no whole table. ${wrong.slice(0, 5).join('; ')}. Save it as CSV with a line of names first.`);
    const { hours, notes } = hoursFromRows(rows, (await getWorkshop()).timeZone);
    const words = [`${hours.length} hours of sky taken from ${name}.`, ...notes].join(' ');
    await keepHours(hours, 'file', words);
    return { words };
  });
}

/** Own looks and files are forgotten. */
export async function skyForgotten(): Promise<Answer<void>> {
  return write(Joi.object({}), {}, () => forgetHours(new Date()));
}

/** How a piece is kept after its brightening. */
export async function kept(given: Given): Promise<Answer<void>> {
  return write(keptSchema, given, ({ pieceId, storage }) => keptIn(pieceId, storage));
}

/** A turn was made. */
export async function turned(timerId: string): Promise<Answer<null>> {
  const answered = await answer(idSchema('timerId'), { timerId }, async () => {
    await noteTurn(timerId);
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** The treatment is over. */
export async function finishTreatment(treatmentId: string, why: string): Promise<Answer<null>> {
  const answered = await answer(idSchema('treatmentId'), { treatmentId, why }, async () => {
    await endTreatment(treatmentId, why);
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** The turns of a session in the sun. */
export async function turns(given: Given): Promise<Answer<TurnView>> {
  return answer(turnSchema, given, async ({ pieceId, start: local, durationMin, turnEveryMin, leanDeg, cloudPercent }) => {
    const piece = await findPiece(pieceId);
    if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
    const { timeZone } = await getWorkshop();
    const instant = fromLocalField(local, timeZone);
    if (!instant) throw new Refusal('start', 'Give date and time, like 2026-06-21 10:00.');
    return turnsOf(piece, { start: new Date(instant), durationMin, turnEveryMin, leanDeg, cloudFraction: cloudPercent / 100 });
  });
}

/** What changed on the face of a piece since its first measurement. */
export async function lookWhatChanged(pieceId: string): Promise<Answer<FaceChange>> {
  return answer(idSchema('pieceId'), { pieceId }, () => whatChanged(pieceId));
}

/** What a piece should look like after more sessions. */
export async function lookAhead(pieceId: string): Promise<Answer<Predicted>> {
  return answer(idSchema('pieceId'), { pieceId }, () => predicted(pieceId));
}

/** A session rehearsed; nothing is kept. */
export async function tryOut(given: Given): Promise<Answer<RehearsalView>> {
  return answer(rehearseSchema, given, rehearsed);
}

/** The next exercise. */
export async function askMe(): Promise<Answer<ExerciseView>> {
  return answer(Joi.object({}), {}, nextExercise);
}

/** Grades an answer to an exercise and keeps it. */
export async function gradeMe(given: Given): Promise<Answer<Graded>> {
  return answer(answerSchema, given, graded);
}
