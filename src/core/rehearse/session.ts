import { yellowAfter } from '../fade/fade';
import { fieldOf, swell, type Field, type Random } from './field';

/** How a session is done: what a hand and the sky decide. */
export interface Conduct {
  film: 'smooth' | 'wrinkled' | 'none';
  spread: 'even' | 'thick in places';
  turned: boolean;
  /** Powder that was not stirred, or caps that lay still in a soak. */
  stirred: boolean;
  /** Share of the sky that is covered, 0 to 1: under cloud the light comes from all round. */
  cloudFraction: number;
  /** Share of the surface under froth, 0 to 1. */
  froth: number;
}

export const WELL_DONE: Conduct = {
  film: 'smooth',
  spread: 'even',
  turned: true,
  stirred: true,
  cloudFraction: 0,
  froth: 0,
};

/** How far each mistake takes the dose from even; what people bring home lies within these. */
const FOLD = { lines: [3, 7], width: [0.006, 0.014], loss: [0.35, 0.75] } as const;
const SIDE = { least: 0.45, most: 0.8 };
const THICK = { spots: [3, 7], radius: [0.05, 0.1], loss: [0.35, 0.7] } as const;
const MARBLE = { apart: [0.1, 0.18], depth: [0.25, 0.4] } as const;
/** Even the best hand is not quite even. */
const HAND = 0.02;

const between = (random: Random, [low, high]: readonly [number, number]) => low + (high - low) * random();

/** A fold: a thin line across the face where film stood off and the cream dried. */
function folds(random: Random): (x: number, y: number) => number {
  const main = Math.PI * random();
  const lines = Array.from({ length: Math.round(between(random, FOLD.lines)) }, () => {
    const turn = main + 0.35 * (random() - 0.5);
    return {
      nx: -Math.sin(turn),
      ny: Math.cos(turn),
      at: random() - 0.5,
      bend: 0.25 * (random() - 0.5),
      width: between(random, FOLD.width),
      loss: between(random, FOLD.loss),
    };
  });
  return (x, y) =>
    lines.reduce((left, { nx, ny, at, bend, width, loss }) => {
      const along = x * ny - y * nx;
      const away = (x * nx + y * ny - at - bend * along * along) / width;
      return left * (1 - loss * Math.exp(-away * away));
    }, 1);
}

/** Where cream sat thick it kept the light off its own underside and went on working when the rest had dried. */
function thickSpots(random: Random): (x: number, y: number) => number {
  const sign = random() < 0.5 ? -1 : 1;
  const spots = Array.from({ length: Math.round(between(random, THICK.spots)) }, () => ({
    x: 0.9 * (random() - 0.5),
    y: 0.6 * (random() - 0.5),
    radius: between(random, THICK.radius),
    loss: between(random, THICK.loss),
  }));
  return (x, y) => {
    const deep = spots.reduce(
      (most, spot) =>
        Math.max(most, spot.loss * Math.exp(-(((x - spot.x) ** 2 + (y - spot.y) ** 2) / spot.radius ** 2))),
      0,
    );
    return 1 + sign * deep;
  };
}

function oneSide(random: Random, cloudFraction: number): (x: number, y: number) => number {
  const turn = 2 * Math.PI * random();
  const depth = (SIDE.least + (SIDE.most - SIDE.least) * random()) * (1 - cloudFraction);
  return (x, y) => 1 - depth * (0.5 + x * Math.cos(turn) + y * Math.sin(turn));
}

function marble(random: Random): (x: number, y: number) => number {
  const apart = between(random, MARBLE.apart);
  const depth = between(random, MARBLE.depth);
  const [veins, warpX, warpY] = [swell(random, apart), swell(random, 3 * apart), swell(random, 3 * apart)];
  return (x, y) => 1 + depth * Math.tanh(1.4 * veins(x + 0.04 * warpX(x, y), y + 0.04 * warpY(x, y)));
}

/**
 * Share of the session's dose that each place of a face gets, 1 being what the window brings: the conduct's mistakes
 * one over the other. Film that is smooth, cream that is even, a piece that is turned leave it even.
 */
export function doseShares(
  { film, spread, turned, stirred, cloudFraction, froth }: Conduct,
  columns: number,
  rows: number,
  random: Random,
): Field {
  const hand = swell(random, 0.6);
  const parts: ((x: number, y: number) => number)[] = [(x, y) => 1 + HAND * hand(x, y)];
  if (film === 'wrinkled') parts.push(folds(random));
  if (spread === 'thick in places') parts.push(thickSpots(random));
  if (!turned) parts.push(oneSide(random, cloudFraction));
  if (!stirred) parts.push(marble(random));
  if (froth > 0) parts.push(() => 1 - 0.6 * froth);
  return fieldOf(columns, rows, (x, y) =>
    Math.max(
      0,
      parts.reduce((share, part) => share * part(x, y), 1),
    ),
  );
}

/** b* that a face has after a session: its dose, place by place, through the fade. */
export function yellowLeft(shares: Field, startB: number, targetB: number, rate: number, dose: number): Field {
  return { ...shares, values: shares.values.map((share) => yellowAfter(startB, targetB, rate, share * dose)) };
}
