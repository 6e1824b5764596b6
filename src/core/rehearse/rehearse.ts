import { assumed } from '../assumptions/assumptions';
import { strengthFactor } from '../fade/strength';
import type { Obstacle } from '../sun/horizon';
import { quantile } from '../numbers';
import { sunDose, type Place } from '../sun/day';
import { amountWords } from '../units';
import { nameFault, type Fault } from '../face/fault';
import type { Field, Random } from './field';
import { doseShares, WELL_DONE, yellowLeft, type Conduct } from './session';

/** A session on a piece, as it is meant to be done. */
export interface RehearsalInput {
  startB: number;
  targetB: number;
  /** Rate of the piece's way at its usual strength, per UVI·h. */
  rate: number;
  place: Place;
  start: Date;
  durationMin: number;
  /** Share of UV that the film lets through. */
  transmission: number;
  /** What stands in the sun's way. */
  shading?: readonly Obstacle[];
  /** Strength against the usual one, both % by weight. */
  percentWW: number;
  usualPercentWW: number;
  temperatureC: number;
  conduct: Conduct;
}

interface Outcome {
  /** b* left, in cells of the face. */
  face: Field;
  median: number;
  /** 5th to 95th percentile of b* over the face. */
  spread: number;
  fault: Fault;
}

export interface Rehearsed extends Outcome {
  /** UVI·h that count: without film only until the cream is dry. */
  dose: number;
  /** What was done that leaves a mark, and what it does. */
  mistakes: string[];
  /** The same window with no mistake. */
  best: Outcome;
}

const COLUMNS = 96;
const ROWS = 60;
const HOT_C = 50;
const WORKED_OUT = 1.5;

function outcomeOf(input: RehearsalInput, conduct: Conduct, dose: number, random: Random): Outcome {
  const { startB, targetB, rate, percentWW, usualPercentWW } = input;
  const face = yellowLeft(
    doseShares(conduct, COLUMNS, ROWS, random),
    startB,
    targetB,
    rate * strengthFactor(percentWW, usualPercentWW),
    dose,
  );
  return {
    face,
    median: quantile(face.values, 0.5)!,
    spread: quantile(face.values, 0.95)! - quantile(face.values, 0.05)!,
    fault: nameFault(face),
  };
}

/**
 * A session computed before it is done: the dose of its window, place by place, through the fade; against the same
 * window with no mistake. Not a picture of what such sessions look like: move one thing, and what follows moves.
 *
 * @param randomOf a source of numbers of a seed: both sessions lie on the same face
 */
export function rehearse(input: RehearsalInput, seed: number, randomOf: (seed: number) => Random): Rehearsed {
  const { place, start, durationMin, transmission, shading, conduct } = input;
  const doseOf = (minutes: number, through: number) =>
    sunDose(place, start, minutes, through, conduct.cloudFraction, shading);
  const bestDose = doseOf(durationMin, transmission);
  // Bare cream gets all of the light, for as long as it is wet.
  const dose = conduct.film === 'none' ? doseOf(Math.min(durationMin, assumed('cream dries')), 1) : bestDose;
  const best = outcomeOf(input, { ...WELL_DONE, cloudFraction: conduct.cloudFraction }, bestDose, randomOf(seed));
  return { ...outcomeOf(input, conduct, dose, randomOf(seed)), dose, best, mistakes: mistakesOf(input, dose, best) };
}

function mistakesOf(
  { conduct, temperatureC, startB, targetB, percentWW, usualPercentWW }: RehearsalInput,
  dose: number,
  best: Outcome,
): string[] {
  const { film, spread, turned, stirred, froth, cloudFraction } = conduct;
  const gained = startB - best.median;
  return [
    film === 'wrinkled' && 'Film in wrinkles: under each fold the cream stands off or dries, and a line stays yellow.',
    film === 'none' && 'No film: the cream dries within the hour and stops.',
    spread === 'thick in places' && 'Cream thick in places: rounded spots.',
    !turned &&
      (cloudFraction > 0.8
        ? 'Never turned: under this cloud it hardly matters, in sun it would.'
        : 'Never turned: the side away from the sun stays behind.'),
    !stirred && 'Not stirred or moved: marbling.',
    froth > 0.2 && `Froth over ${Math.round(100 * froth)} %: it shades what lies under it.`,
    temperatureC > HOT_C &&
      `${amountWords(temperatureC, '°C', 0, 'metric')} (${amountWords(temperatureC, '°C', 0, 'us')}): long thin parts bend. Shade or vent it.`,
    percentWW > WORKED_OUT * usualPercentWW && 'Stronger than this way is worked with: more burns, little more gained.',
    dose < 1 && 'Next to no ultraviolet in this window: another hour, another day, a lamp or vapour.',
    gained > 0 &&
      best.median - targetB < 1 &&
      'Longer than it needs: most of the end of it only adds to what is risked.',
  ].filter((words): words is string => Boolean(words));
}

/** A question with a known answer: which of three windows brings the most. */
export interface Exercise {
  windows: { start: Date; durationMin: number; cloudFraction: number; dose: number }[];
  /** Place of the best in `windows`. */
  answer: number;
  why: string;
}

const HOUR_MS = 3_600_000;
/** The best of the three is plainly the best. */
const PLAINLY = 1.25;

/** Draws an exercise for a place and a season, always the same for a seed; windows that are too much alike are drawn anew. */
export function exercise(place: Place, noon: Date, seed: number, randomOf: (seed: number) => Random): Exercise {
  const random = randomOf(seed);
  for (let tries = 0; ; tries++) {
    const windows = Array.from({ length: 3 }, (_, day) => {
      const from = -5 + Math.round(7 * random());
      const durationMin = 60 * (2 + Math.round(3 * random()));
      const cloudFraction = Math.round(10 * random()) / 10;
      const start = new Date(noon.getTime() + day * 24 * HOUR_MS + from * HOUR_MS);
      return { start, durationMin, cloudFraction, dose: sunDose(place, start, durationMin, 0.9, cloudFraction) };
    });
    const doses = windows.map(({ dose }) => dose);
    const answer = doses.indexOf(Math.max(...doses));
    const second = Math.max(...doses.filter((_, i) => i !== answer));
    if (doses[answer]! > PLAINLY * second || tries > 200) return { windows, answer, why: whyOf(windows, answer) };
  }
}

function whyOf(windows: Exercise['windows'], answer: number): string {
  const best = windows[answer]!;
  const longest = windows.every(({ durationMin }) => durationMin <= best.durationMin);
  const clearest = windows.every(({ cloudFraction }) => cloudFraction >= best.cloudFraction);
  const reasons = [
    clearest
      ? 'it has the clearest sky'
      : 'its cloud takes less than its hour brings: thin cloud lets most of the ultraviolet through',
    longest ? 'it lasts longest' : 'it lies nearer to noon, and an hour at noon is worth several of the morning',
  ];
  return `It brings ${best.dose.toFixed(1)} UVI·h, the others ${windows
    .filter((window) => window !== best)
    .map(({ dose }) => dose.toFixed(1))
    .join(' and ')}: ${reasons.join(', and ')}.`;
}
