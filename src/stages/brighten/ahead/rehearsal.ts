import sharp from 'sharp';
import { SCHOOL } from '@/core/session/schools';
import { DARKER_PER_B } from '@/core/colour/plasticScale';
import { labToSrgb } from '@/core/colour/lab';
import { unevenWords } from '@/core/fade/unevenness';
import type { Field } from '@/core/rehearse/field';
import { exercise, rehearse } from '@/core/rehearse/rehearse';
import { seededRandom } from '@/core/rehearse/seededRandom';
import { Refusal } from '@/core/refusal';
import { dayAround, fromLocalField } from '@/core/runsheet/time';
import { exercisesDone, keepAnswer } from '@/data/exercises';
import { findPiece } from '@/data/pieces';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';
import { historyOf, yellowOf } from '../history';
import { fieldUrl, lookOf } from '../look';
import { pooledFor } from '../pooled';
import type { AnswerForm, RehearseForm } from '../schema';

/** A session as it would come out, beside the same window with no mistake. */
export interface RehearsalView {
  url: string;
  bestUrl: string;
  median: number;
  spread: number;
  bestMedian: number;
  bestSpread: number;
  dose: number;
  fault: string;
  mistakes: string[];
}

/** Lightness of clean plastic. */
const CLEAN_L = 89;

/** A face as plastic would look with that much yellow, cell by cell. */
/** Yellow of a piece that nobody measured, and of its hidden patch: what most come to the bench with. */
const USUAL_START_B = 22;
const USUAL_TARGET_B = 6;

async function faceUrl({ columns, rows, values }: Field): Promise<string> {
  const pixels = new Uint8Array(3 * columns * rows);
  values.forEach((b, cell) =>
    pixels.set(labToSrgb([CLEAN_L - DARKER_PER_B * b, 0.12 * b - 1, b]).map(Math.round), 3 * cell),
  );
  const png = await sharp(pixels, { raw: { width: columns, height: rows, channels: 3 } })
    .resize(columns * 5, rows * 5, { kernel: 'cubic' })
    .png()
    .toBuffer();
  return `data:image/png;base64,${png.toString('base64')}`;
}

async function placeOfWorkshop() {
  const workshop = await getWorkshop();
  const place = placeOf(workshop);
  if (!place)
    throw new Refusal(
      'start',
      'The workshop has no place yet, so there is no sun to rehearse with. Set it under Workshop.',
    );
  return { place, timeZone: workshop.timeZone };
}

/**
 * Rehearses a session in the sun on a piece, from its own yellow where it is measured.
 *
 * @throws Refusal without a place or a time
 */
export async function rehearsed(form: RehearseForm): Promise<RehearsalView> {
  const piece = await findPiece(form.pieceId);
  if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
  const { place, timeZone } = await placeOfWorkshop();
  const start = fromLocalField(form.start, timeZone);
  if (!start) throw new Refusal('start', 'Give date and time, like 2026-06-21 10:00.');
  const school = SCHOOL['cream-film-sun'];
  const history = await historyOf(piece);
  const yellow = yellowOf(piece, history, school);
  const now = history.measurements[history.measurements.length - 1]?.lab?.[2];
  const { prior } = await pooledFor(school, piece);
  const startB = now ?? yellow?.startB ?? USUAL_START_B;
  const targetB = Math.min(now ?? USUAL_START_B, yellow?.targetB ?? USUAL_TARGET_B);
  const done = rehearse(
    {
      startB,
      targetB,
      rate: prior.medianRate,
      place,
      start: new Date(start),
      durationMin: form.durationMin,
      transmission: school.transmission,
      shading: await listObstacles(),
      percentWW: form.percentWW,
      usualPercentWW: school.usualPercentWW,
      temperatureC: form.temperatureC,
      conduct: {
        film: form.film,
        spread: form.spread,
        turned: form.turned === 'by the plan',
        stirred: true,
        cloudFraction: form.cloudPercent / 100,
        froth: form.frothPercent / 100,
      },
    },
    form.seed,
    seededRandom,
  );
  const latest = history.measurements.filter(({ basis }) => basis === 'card').pop();
  const look = latest && (await lookOf(latest));
  // On its own photograph where there is one: what is left of the yellow, place by place.
  const shown = (face: Field) =>
    look && startB > targetB
      ? fieldUrl(look, targetB, { ...face, values: face.values.map((b) => (b - targetB) / (startB - targetB)) })
      : faceUrl(face);
  return {
    url: await shown(done.face),
    bestUrl: await shown(done.best.face),
    median: done.median,
    spread: done.spread,
    bestMedian: done.best.median,
    bestSpread: done.best.spread,
    dose: done.dose,
    fault: unevenWords(done.fault, 'film')?.what ?? 'Even.',
    mistakes: done.mistakes,
  };
}

/** An exercise as it is asked: three windows, without what they bring. */
export interface ExerciseView {
  seed: number;
  windows: { start: string; durationMin: number; cloudPercent: number }[];
  /** Answered so far, and how many of them rightly. */
  done: number;
  right: number;
}

async function exerciseOf(seed: number) {
  const { place, timeZone } = await placeOfWorkshop();
  // Always the same season for a seed: an exercise that was answered stays the same one.
  const { start } = dayAround(new Date(Date.UTC(2026, seed % 12, 1 + (seed % 27), 12)), timeZone);
  return exercise(place, new Date(start.getTime() + 12 * 3_600_000), seed, seededRandom);
}

/** The next exercise, each once. */
export async function nextExercise(): Promise<ExerciseView> {
  const done = await exercisesDone();
  const seed = 1 + done.length;
  const { windows } = await exerciseOf(seed);
  return {
    seed,
    windows: windows.map(({ start, durationMin, cloudFraction }) => ({
      start: start.toISOString(),
      durationMin,
      cloudPercent: Math.round(100 * cloudFraction),
    })),
    done: done.length,
    right: done.filter(({ rightly }) => rightly).length,
  };
}

export interface Graded {
  right: boolean;
  answer: number;
  why: string;
}

/** Grades an answer and keeps it. */
export async function graded({ seed, answered }: AnswerForm, now: Date): Promise<Graded> {
  const { answer, why } = await exerciseOf(seed);
  await keepAnswer({ seed, answered, rightly: answered === answer }, now);
  return { right: answered === answer, answer, why };
}
