import { PURE_POWDER_PERCENT } from '@/core/session/amounts';
import { type ExposurePlan, planExposure } from '@/core/session/plan';
import type { Band } from '@/core/fade/fade';
import { exposureForecast } from '@/core/fade/forecast';
import { evenCloud, type SkySource } from '@/core/session/sessions';
import { gatesOf, gatesTogether, noDoseGate, type Gate } from '@/core/session/gates';
import { priorOf, SCHOOL } from '@/core/session/schools';
import { warmthInSun, type Warmth } from '@/core/session/warmth';
import { agedSince, agedWords, percentOf } from '@/core/peroxide/bottle';
import { peroxideStrength } from '@/core/peroxide/strength';
import { Refusal } from '@/core/refusal';
import { dayAround, fromLocalField } from '@/core/runsheet/time';
import { skyKnown, SKY_WORDS } from '@/core/sun/skyKnown';
import { sunDay, type SunDay, NOWHERE } from '@/core/sun/day';
import { wayWentOn } from '@/data/learntRates';
import { findPieces } from '@/data/pieces';
import type { Piece, Workshop } from '@/data/rows';
import { findStock, type Shelved } from '@/data/stock';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { bathOf, type FilledTub } from './bath';
import { sessionCardPdf } from './cardPdf';
import { readFacts } from '../facts';
import { historiesOf, yellowOf } from '../history';
import { pastPieces, pooledFrom } from '../pooled';
import { planSchema, type PlanForm } from '../schema';
import { LEAN_DEG, turnsOf } from '../sky/turnsOf';

const MINUTE_MS = 60_000;

/** A piece that lies in the same mixture: where it should stand after it. */
interface Beside {
  tag: string;
  name: string;
  /** `null` before it is measured. */
  afterB: Band | null;
}

interface Worked {
  plan: ExposurePlan;
  gates: Gate[];
  bath: FilledTub | null;
  warmth: Warmth | null;
  /** The piece that leads first. */
  pieces: Piece[];
  others: Beside[];
  stock: Shelved | null;
  stockPercentWW: number;
  workshop: Workshop;
  windowStart: string;
}

async function strengthOf(form: PlanForm): Promise<{ stock: Shelved | null; stockPercentWW: number }> {
  const stock = form.stockId ? await findStock(form.stockId) : null;
  if (form.stockId && !stock)
    throw new Refusal('stockId', 'This bottle is not in the stores any more. Choose another.');
  const value = stock ? stock.strengthValue : form.strengthValue;
  const unit = stock ? stock.strengthUnit : form.strengthUnit;
  if (!value || !unit)
    throw new Refusal(
      'stockId',
      'This bottle has no strength on record. Choose another, or give the strength of its label.',
    );
  // A tub of powder states its share of percarbonate; what counts is the peroxide that it sets free.
  if (SCHOOL[form.school].medium === 'powder')
    return { stock, stockPercentWW: (Math.min(100, value) * PURE_POWDER_PERCENT) / 100 };
  return { stock, stockPercentWW: (stock && percentOf(stock)) ?? peroxideStrength(value, unit).percentWW };
}

/**
 * A planned exposure, worked out from its form.
 *
 * @throws Refusal with the field that is wrong
 */
export async function workOut(form: PlanForm): Promise<Worked> {
  const pieces = await piecesFor(form);
  const [piece] = pieces as [Piece];
  const workshop = await getWorkshop();
  const school = SCHOOL[form.school];
  if (school.driver === 'sun' && (workshop.latitude === null || workshop.longitude === null))
    throw new Refusal(
      'school',
      'The workshop has no place yet, so there is no sun to count with. Set it under Workshop, or choose lamp or vapour.',
    );
  const windowStart = fromLocalField(form.windowStart, workshop.timeZone);
  if (!windowStart) throw new Refusal('windowStart', 'Give date and time, like 2026-06-21 10:00.');
  const { stock, stockPercentWW } = await strengthOf(form);
  const bath = await bathOf(form, pieces, workshop.units);
  const [past, obstacles, histories] = await Promise.all([pastPieces(piece), listObstacles(), historiesOf(pieces)]);
  const pooled = pooledFrom(past, school, piece.plastic);
  const place = placeOf(workshop) ?? NOWHERE;
  // This way on this plastic: tried on another piece, or on this one before.
  const gates = await Promise.all(
    pieces.map(async (each) => ({
      id: each.id,
      tag: each.tag,
      gates: gatesOf(school, await readFacts(each), await wayWentOn(school.id, each.plastic)),
    })),
  );
  const sun = {
    place,
    start: new Date(windowStart),
    durationMin: form.durationMin,
    cloudFraction: form.cloudPercent / 100,
    shading: obstacles,
  };
  const plan = planExposure({
    school,
    stockPercentWW,
    stockLeft: form.stands ? null : (stock?.left ?? null),
    targetPercentWW: form.targetPercentWW,
    volumeL: bath?.solutionL ?? form.volumeL,
    areaCm2: form.areaCm2,
    toleranceB: form.toleranceB,
    yellow: yellowOf(piece, histories[0]!, school),
    ...sun,
    lampMwPerCm2: form.lampMwPerCm2,
    temperatureC: form.temperatureC,
    ...(pooled.pieces > 0 && { prior: pooled.prior }),
    units: workshop.units,
  });
  const aged = stock && !form.stands ? agedSince(stock, new Date(windowStart)) : null;
  const old = aged ? [`“${stock!.name}”: ${agedWords(aged)} Find out under Stores before you count on its label.`] : [];
  const others = pieces.slice(1).map((each, i): Beside => {
    const yellow = yellowOf(each, histories[i + 1]!, school);
    const prior = priorOf(school, plan.percentWW, pooled.prior);
    const forecast = yellow && exposureForecast({ ...yellow, toleranceB: form.toleranceB, prior, nextDose: plan.dose });
    return { tag: each.tag, name: each.name, afterB: forecast && forecast.nextB };
  });
  return {
    plan: { ...plan, notes: [...plan.notes, ...old] },
    gates: [...gatesTogether(gates), ...noDoseGate(school, plan.dose)],
    bath,
    warmth: school.driver === 'sun' ? warmthInSun({ school, ...sun, airC: form.temperatureC }) : null,
    pieces,
    others,
    stock,
    stockPercentWW,
    workshop,
    windowStart,
  };
}

/** The pieces of a plan, the one that leads first. @throws Refusal where one is not here, or cannot lie there */
async function piecesFor({ pieceId, withIds }: PlanForm): Promise<Piece[]> {
  const ids = [pieceId, ...new Set(withIds.filter((id) => id !== pieceId))];
  const found = await findPieces(ids);
  return ids.map((id) => {
    const piece = found.find((known) => known.id === id);
    if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
    return piece;
  });
}

export interface PlanView {
  plan: ExposurePlan;
  /** What has to be said done before the start. */
  gates: Gate[];
  /** The tub filled; `null` where the litres are given. */
  bath: FilledTub | null;
  /** How warm it gets in the sun; `null` where no sun is used. */
  warmth: Warmth | null;
  /** The sun's course on the day of the window; `null` where no place is known or no sun is used. */
  day: SunDay | null;
  windowStart: string;
  /** The other pieces that lie in it. */
  others: Beside[];
}

/** The plan as its page shows it. */
export async function planView(form: PlanForm): Promise<PlanView> {
  const { plan: worked, gates, bath, warmth, workshop, windowStart, others } = await workOut(form);
  const place = placeOf(workshop);
  if (SCHOOL[form.school].driver !== 'sun' || !place)
    return { plan: worked, gates, bath, warmth: null, day: null, windowStart, others };
  const { start, hours } = dayAround(new Date(windowStart), workshop.timeZone);
  const day = sunDay(place, start, hours, form.cloudPercent / 100);
  return { plan: worked, gates, bath, warmth, day, windowStart, others };
}

/** What is known of the sky that a plan counts with; empty where its cloud was typed, or no sun drives it. */
export async function skyWords(
  { school, cloudPercent, durationMin }: Pick<PlanForm, 'school' | 'cloudPercent' | 'durationMin'>,
  windowStart: string,
  workshop: Workshop,
  sky: SkySource,
): Promise<string> {
  const place = placeOf(workshop);
  if (SCHOOL[school].driver !== 'sun' || !place) return '';
  const window = { from: new Date(windowStart), to: new Date(Date.parse(windowStart) + durationMin * MINUTE_MS) };
  const clouds = await sky(place, window.from, Math.ceil(durationMin / 60) + 1);
  const even = evenCloud({ place, shading: await listObstacles(), clouds }, window);
  return Math.round(100 * even) === Math.round(cloudPercent) ? SKY_WORDS[skyKnown(clouds, window.from, window.to)] : '';
}

/** The planned session as one sheet for the shed wall. */
export async function sessionCard(
  given: Record<string, unknown>,
  sky: SkySource,
): Promise<Answer<{ sheet: Buffer; title: string }>> {
  const withIds = typeof given.withIds === 'string' ? given.withIds.split(',').filter(Boolean) : given.withIds;
  return answer(planSchema, { ...given, withIds }, async (form) => {
    const { plan, gates, bath, warmth, pieces, stock, stockPercentWW, workshop, windowStart } = await workOut(form);
    const school = SCHOOL[form.school];
    const { durationMin, turnEveryMin } = form;
    const [piece] = pieces as [Piece];
    const sized = piece.lengthMm !== null && piece.widthMm !== null && piece.heightMm !== null;
    const turns =
      school.driver === 'sun' && sized
        ? (
            await turnsOf(piece, {
              start: new Date(windowStart),
              durationMin,
              turnEveryMin,
              leanDeg: school.medium === 'cream' ? LEAN_DEG : 0,
              cloudFraction: form.cloudPercent / 100,
            })
          ).plan.turns
        : [];
    const title = pieces.map(({ tag, name }) => `${tag} ${name}`).join(', ');
    const sheet = await sessionCardPdf({
      piece: title,
      school,
      plan,
      stock: stock?.name ?? `${school.medium === 'powder' ? 'powder' : 'peroxide'} of ${stockPercentWW.toFixed(1)} %`,
      stands: form.stands,
      bath,
      from: windowStart,
      durationMin,
      turnEveryMin,
      turns,
      gates,
      warmth,
      sky: await skyWords(form, windowStart, workshop, sky),
      timeZone: workshop.timeZone,
      units: workshop.units,
    });
    return { sheet, title };
  });
}
