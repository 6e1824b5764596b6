import Joi from 'joi';
import { Refusal } from '../refusal';
import type { PaintSheet } from './coat';

const hours = Joi.number().min(0).max(2000).unit('h');
const warmth = Joi.number().min(-10).max(60).unit('°C');

/** What the sheet of a paint asks for. */
export const sheetSchema = Joi.object<PaintSheet, true>({
  lowestC: warmth.required().label('Lowest'),
  highestC: warmth.required().label('Highest'),
  highestHumidityPercent: Joi.number().min(1).max(100).unit('%').required().label('Dampest air'),
  touchH: hours.required().label('Dry to the touch'),
  soonestH: hours.required().label('Next coat from'),
  latestH: hours.allow(null).required().label('Next coat until'),
  againFromH: hours.allow(null).required().label('Or again from'),
  throughH: hours.required().label('Through'),
  keyed: Joi.boolean().required(),
});

/** @throws Refusal for a sheet that contradicts itself */
export function needsSense({ lowestC, highestC, soonestH, latestH, againFromH }: PaintSheet): void {
  if (lowestC >= highestC)
    throw new Refusal(
      'lowestC',
      `Its lowest, ${lowestC} °C, is not below its highest, ${highestC} °C. Look at the sheet again.`,
    );
  if (latestH !== null && latestH < soonestH)
    throw new Refusal(
      'latestH',
      `The next coat may follow from ${soonestH} h on: it cannot have to before ${latestH} h.`,
    );
  if (againFromH !== null && latestH === null)
    throw new Refusal('latestH', 'Where a coat may follow again later, the sheet says until when it may before that.');
  if (againFromH !== null && latestH !== null && againFromH <= latestH)
    throw new Refusal('againFromH', `It may follow until ${latestH} h: again from is later than that.`);
}
