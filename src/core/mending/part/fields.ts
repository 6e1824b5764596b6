import Joi from 'joi';
import { assumed } from '../../assumptions/assumptions';
import { Refusal } from '../../refusal';
import type { Ring } from './rings';
import type { Layer } from './stack';

/** Larger than this nothing of a case is printed or cut in one. */
const MOST_MM = 1000;
const MOST_POINTS = 4000;

export const mm = (label: string) => Joi.number().positive().max(MOST_MM).required().unit('mm').label(label);
export const mmOr0 = (label: string) => Joi.number().min(0).max(MOST_MM).default(0).unit('mm').label(label);
export const ring = (label: string) =>
  Joi.array<Ring>()
    .items(
      Joi.array().ordered(
        Joi.number().min(-10_000).max(10_000).required(),
        Joi.number().min(-10_000).max(10_000).required(),
      ),
    )
    .min(3)
    .max(MOST_POINTS)
    .label(label);

/** A kind of part: its sizes, and the layers that it is made of. */
export interface Family<P extends object = never> {
  title: string;
  schema: Joi.ObjectSchema<P>;
  /** Sizes to begin from. */
  example: P;
  layers: (sizes: P) => Layer[];
  /** What is only pressed on, or held round: no load bends it. */
  pressed?: true;
  /** Its volume by its formula, mm³, where there is one. */
  formula?: (sizes: P) => number;
}

/** @throws Refusal for a wall that a nozzle cannot lay */
export function checkWall(field: string, wallMm: number, what: string): void {
  const least = assumed('thinnest wall');
  if (wallMm < least - 1e-9)
    throw new Refusal(
      field,
      wallMm <= 0
        ? `${what} leaves no wall. Make it smaller, or what is round it larger.`
        : `${what} leaves a wall of ${Number(wallMm.toFixed(2))} mm; a nozzle lays ${least} mm at least.`,
    );
}

export const disc = (d: number): number => (Math.PI / 4) * d * d;
