'use server';

import { gatesLeft } from '@/core/session/gates';
import { Refusal } from '@/core/refusal';
import { fromLocalField, toLocalField } from '@/core/runsheet/time';
import { inTransaction } from '@/data/connection';
import { findPiece } from '@/data/pieces';
import { endTimer, noteTurn } from '@/work/timers';
import { SCHOOL } from '@/core/session/schools';
import { whenIs } from './plan/planFields';
import { planSession } from './plan/planSession';
import { endExposure } from '@/work/brighten/end';
import { freshCoat, readWarmth } from '@/work/brighten/during';
import { startExposure, writeDownExposure } from '@/work/brighten/begin';
import { correctSession, takeSessionBack } from '@/work/brighten/right';
import { endTreatment, reopenTreatment } from '@/work/brighten/treatments';
import { hoursFromRows } from '@/core/sun/weatherHours';
import { keptIn } from '@/work/brighten/looks';
import { forgetHours, keepHours } from '@/work/workshop';
import { getWorkshop } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { fromCsv } from '@/edge/csv';
import { write } from '@/edge/write';
import Joi from 'joi';
import { turnsOf, type TurnView } from './sky/turnsOf';
import { changeInput, type ChangeInput } from './past/change';
import { planView, workOut, type PlanView } from './plan/plan';
import { predicted, type Predicted } from './ahead/predict';
import { graded, nextExercise, rehearsed, type ExerciseView, type Graded, type RehearsalView } from './ahead/rehearsal';
import {
  answerSchema,
  coatSchema,
  turnedSchema,
  turnedAndCoatedSchema,
  correctionSchema,
  endSchema,
  keptSchema,
  lookSchema,
  skyFileSchema,
  planSchema,
  type PlanForm,
  warmthSchema,
  rehearseSchema,
  ringSchema,
  turnSchema,
} from './schema';

type Given = Record<string, unknown>;

/** The plan of the form as it stands; nothing is kept. */
export async function workOutPlan(given: Given): Promise<Answer<PlanView>> {
  return answer(planSchema, given, planView);
}

/** Plans the exposure of the form for its window; cautions and what stands before the start come at its bell. */
export async function planLater(given: Given): Promise<Answer<string>> {
  return write(planSchema, given, async (form, now) => {
    const { pieces, windowStart } = await workOut(form);
    const from = new Date(windowStart);
    await planSession(pieces[0]!, form.school, { from, to: new Date(from.getTime() + form.durationMin * 60_000) }, now);
    return pieces[0]!.id;
  });
}

/** Starts the exposure: now, or as it was begun a while ago; one that is over already is written down with its end. */
export async function startSession(given: Given): Promise<Answer<string>> {
  return write(planSchema, given, async (form, now) => {
    const worked = await workOut(form);
    const { plan: planned, gates, pieces, stockPercentWW, windowStart } = worked;
    const when = whenIs(windowStart, form.durationMin, now);
    if (when === 'later')
      throw new Refusal('windowStart', 'This window is still to come. Plan it for then, or set it to now and start.');
    if (SCHOOL[form.school].driver === 'lamp' && form.lampMwPerCm2 === 0)
      throw new Refusal(
        'lampMwPerCm2',
        'A lamp of 0 mW/cm² brings no dose. Give its UV-A at the piece, from its sheet or a meter.',
      );
    const exposure = {
      pieceIds: pieces.map(({ id }) => id),
      school: form.school,
      stockId: form.stockId,
      stockPercentWW,
      targetPercentWW: planned.percentWW,
      amountMl: planned.creamMl ?? planned.solutionL! * 1000,
      toleranceB: form.toleranceB,
      plannedMin: form.durationMin,
      turnEveryMin: form.turnEveryMin,
      cloudFraction: form.cloudPercent / 100,
      lampMwPerCm2: form.lampMwPerCm2,
      temperatureC: form.temperatureC,
      takes: form.stands
        ? null
        : {
            amount: planned.stockMl,
            unit: planned.powderG === null ? ('mL' as const) : ('g' as const),
            otherwise: `peroxide, ${stockPercentWW.toFixed(1)} %`,
          },
    };
    if (when === 'over') {
      const endedAt = new Date(Date.parse(windowStart) + form.durationMin * 60_000).toISOString();
      const { cloudFraction, temperatureC } = exposure;
      const real = { endedAt, cloudFraction, temperatureC, words: 'Written down afterwards.' };
      return (await writeDownExposure({ ...exposure, startedAt: windowStart, cautions: [], checks: [] }, real, now)).id;
    }
    if (!form.cautionsConfirmed)
      throw new Refusal('cautionsConfirmed', 'Read the cautions and confirm them before you start.');
    for (const { tag, metalInside } of pieces)
      if (metalInside)
        throw new Refusal(
          'pieceId',
          `There is still metal in ${tag} (${metalInside}). Peroxide attacks it and it stains the plastic: take it out, and clear it on the piece’s page.`,
        );
    const left = gatesLeft(gates, form.checks);
    if (left.length > 0)
      throw new Refusal(
        'checks',
        `Not said done yet: ${left.map(({ words }) => words).join('; ')}. Tick it when it is, then start.`,
      );
    const begun = when === 'begun' ? { startedAt: windowStart } : {};
    const warmAt = await warmFrom(form, when === 'begun' ? new Date(windowStart) : now);
    const session = await startExposure(
      { ...exposure, ...begun, cautions: planned.cautions, checks: gates.map(({ words }) => words), warmAt },
      now,
    );
    return session.id;
  });
}

/** When an exposure that begins then may get too warm, by the sun of that day; `null` where it does not, or no sun warms it. */
async function warmFrom(form: PlanForm, begins: Date): Promise<string | null> {
  const { timeZone } = await getWorkshop();
  const { warmth } = await workOut({ ...form, windowStart: toLocalField(begins.toISOString(), timeZone) });
  return warmth?.overAt ?? null;
}

/** The instant of a time as it was typed. @throws Refusal for what is no time */
async function instantOf(local: string, field: string): Promise<string> {
  const instant = fromLocalField(local, (await getWorkshop()).timeZone);
  if (!instant) throw new Refusal(field, 'Give date and time, like 2026-06-21 14:00.');
  return instant;
}

/** Ends the exposure with what really happened. */
export async function endSession(given: Given): Promise<Answer<void>> {
  return write(endSchema, given, async ({ sessionId, endedAt: local, cloudPercent, temperatureC, words }, now) => {
    const endedAt = await instantOf(local, 'endedAt');
    await endExposure(sessionId, { endedAt, cloudFraction: cloudPercent / 100, temperatureC, words }, now);
  });
}

/** Puts a session right. */
export async function correctKeptSession(given: Given): Promise<Answer<void>> {
  return write(correctionSchema, given, async ({ sessionId, startedAt, endedAt, cloudPercent, ...rest }, now) => {
    const times = {
      startedAt: await instantOf(startedAt, 'startedAt'),
      endedAt: endedAt === null ? null : await instantOf(endedAt, 'endedAt'),
    };
    await correctSession(sessionId, { ...rest, ...times, cloudFraction: cloudPercent / 100 }, now);
  });
}

/** Takes a session back that never was. @returns by what it is brought back */
export async function takeBackSession(sessionId: string): Promise<Answer<string>> {
  return write(idSchema('sessionId'), { sessionId }, (_, now) => takeSessionBack(sessionId, now));
}

/** Fresh cream was brushed on. */
export async function addCoat(given: Given): Promise<Answer<void>> {
  return write(coatSchema, given, ({ sessionId, amountMl }, now) => freshCoat(sessionId, amountMl, now));
}

const idSchema = (name: string) =>
  Joi.object<Record<string, string>>({ [name]: Joi.string().required(), why: Joi.string().trim().max(1000).allow('') });

/** A thermometer was read. */
export async function addWarmth(given: Given): Promise<Answer<void>> {
  return write(warmthSchema, given, async ({ sessionId, temperatureC }, now) => {
    await readWarmth(sessionId, temperatureC, now);
  });
}

/** The sky of the hours that one looks at now. */
export async function noteSky(given: Given): Promise<Answer<void>> {
  return write(lookSchema, given, ({ cloudPercent, forHours }, now) => {
    const hour = Math.floor(now.getTime() / 3_600_000) * 3_600_000;
    const hours = Array.from({ length: forHours }, (_, i) => ({
      at: new Date(hour + i * 3_600_000),
      cloud: cloudPercent / 100,
    }));
    return keepHours(hours, 'look', `Looked at the sky: ${cloudPercent} % covered, taken for ${forHours} h.`, now);
  });
}

/** Hours of sky from a file. */
export async function readSkyFile(given: Given): Promise<Answer<{ words: string }>> {
  return write(skyFileSchema, given, async ({ text, name }, now) => {
    const { rows, wrong } = fromCsv(text);
    if (wrong.length > 0)
      throw new Refusal(
        'file',
        `This table is not whole. ${wrong.slice(0, 5).join('; ')}. Save it as CSV with a line of names first.`,
      );
    const { hours, notes } = hoursFromRows(rows, (await getWorkshop()).timeZone);
    const words = [`${hours.length} hours of sky taken from ${name}.`, ...notes].join(' ');
    await keepHours(hours, 'file', words, now);
    return { words };
  });
}

/** Own looks and files are forgotten. */
export async function forgetSky(): Promise<Answer<void>> {
  return write(Joi.object({}), {}, (_, now) => forgetHours(now, now));
}

/** A bell for the beginning of a planned session. */
export async function planWindow(given: Given): Promise<Answer<void>> {
  return write(ringSchema, given, async ({ pieceId, school, ...planned }, now) => {
    const piece = await findPiece(pieceId);
    if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
    await planSession(piece, school, planned, now);
  });
}

/** A planned session will not be. */
export async function giveUpPlanned(timerId: string): Promise<Answer<void>> {
  return write(idSchema('timerId'), { timerId }, (_, now) => endTimer(timerId, now));
}

/** How a piece is kept after its brightening. */
export async function setStorage(given: Given): Promise<Answer<void>> {
  return write(keptSchema, given, ({ pieceId, storage }, now) => keptIn(pieceId, storage, now));
}

/** A turn was made. */
export async function addTurn(given: Given): Promise<Answer<void>> {
  return write(turnedSchema, given, ({ timerId }, now) => noteTurn(timerId, now));
}

/** A turn was made with a fresh coat of cream: both or neither. */
export async function addTurnAndCoat(given: Given): Promise<Answer<void>> {
  return write(turnedAndCoatedSchema, given, ({ timerId, sessionId, amountMl }, now) =>
    inTransaction(async () => {
      await noteTurn(timerId, now);
      await freshCoat(sessionId, amountMl, now);
    }),
  );
}

/** The treatment is over. */
export async function finishTreatment(treatmentId: string, why: string): Promise<Answer<void>> {
  return write(idSchema('treatmentId'), { treatmentId, why }, async (_, now) => {
    await endTreatment(treatmentId, why, now);
  });
}

/** A treatment that was ended goes on. */
export async function continueTreatment(treatmentId: string): Promise<Answer<void>> {
  return write(idSchema('treatmentId'), { treatmentId }, (_, now) => reopenTreatment(treatmentId, now));
}

/** The turns of a session in the sun. */
export async function workOutTurns(given: Given): Promise<Answer<TurnView>> {
  return answer(
    turnSchema,
    given,
    async ({ pieceId, start: local, durationMin, turnEveryMin, leanDeg, cloudPercent }) => {
      const piece = await findPiece(pieceId);
      if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
      const { timeZone } = await getWorkshop();
      const instant = fromLocalField(local, timeZone);
      if (!instant) throw new Refusal('start', 'Give date and time, like 2026-06-21 10:00.');
      return turnsOf(piece, {
        start: new Date(instant),
        durationMin,
        turnEveryMin,
        leanDeg,
        cloudFraction: cloudPercent / 100,
      });
    },
  );
}

/** The two pictures of a face that a worker lays over each other. */
export async function findChange(pieceId: string): Promise<Answer<ChangeInput>> {
  return answer(idSchema('pieceId'), { pieceId }, () => changeInput(pieceId));
}

/** What a piece should look like after more sessions. */
export async function predictLook(pieceId: string): Promise<Answer<Predicted>> {
  return answer(idSchema('pieceId'), { pieceId }, () => predicted(pieceId));
}

/** A session rehearsed; nothing is kept. */
export async function rehearseSession(given: Given): Promise<Answer<RehearsalView>> {
  return answer(rehearseSchema, given, rehearsed);
}

/** The next exercise. */
export async function drawExercise(): Promise<Answer<ExerciseView>> {
  return answer(Joi.object({}), {}, nextExercise);
}

/** Grades an answer to an exercise and keeps it. */
export async function gradeExercise(given: Given): Promise<Answer<Graded>> {
  return answer(answerSchema, given, graded);
}
