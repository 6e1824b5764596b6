import Joi from 'joi';
import { worth, type Range, type Worth, type WorthInput } from '../ledger/worth';
import type { Figure, Sum } from './sum';

const money = (label: string) => Joi.number().min(0).max(10_000_000).label(label);

const range = (label: string) =>
  Joi.object<Range>({
    low: money('At least').required(),
    likely: money('Most likely')
      .min(Joi.ref('low'))
      .required()
      .messages({ 'number.min': 'The most likely cannot be below the least.' }),
    high: money('At most')
      .min(Joi.ref('likely'))
      .required()
      .messages({ 'number.min': 'The most cannot be below the most likely.' }),
  })
    .required()
    .label(label);

const figure = (label: string, { low, likely, high }: Range): Figure => ({
  label,
  value: likely,
  digits: 0,
  range: [low, high],
});

const worthSum: Sum<WorthInput, Worth> = {
  name: 'worth-it',
  title: 'Worth it?',
  summary: 'Price, parts and own hours against what a good one costs, with the spread of the guesses.',
  input: Joi.object({
    pricePaid: money('Price paid').required(),
    parts: range('Parts and material still to come'),
    spent: money('Parts and material so far').default(0),
    hours: range('Own hours still to come'),
    hoursWorked: Joi.number().min(0).max(10_000).default(0).unit('h').label('Own hours so far'),
    hourlyRate: money('Own hourly rate').default(0),
    goodOne: range('A good one costs'),
  }),
  compute: worth,
  source: 'Each guess is a triangular distribution; they are taken for independent and added by their quantiles.',
  estimate: 'From your own guesses; the band holds nine outcomes in ten.',
  example: {
    pricePaid: 35,
    parts: { low: 10, likely: 20, high: 45 },
    spent: 8,
    hours: { low: 6, likely: 9, high: 16 },
    hoursWorked: 2,
    hourlyRate: 5,
    goodOne: { low: 120, likely: 160, high: 210 },
  },
  results: (out) => [
    figure('It will have cost, own hours counted', out.cost),
    figure('A good one less that', out.gain),
    figure('In money alone', out.cashGain),
    { label: 'Chance that it costs less than a good one', value: 100 * out.chanceWorth, unit: '%', digits: 0 },
    { label: 'Verdict', value: out.verdict },
  ],
  working: (out, input) => [
    `${input.pricePaid} paid + ${input.spent} spent + about ${input.parts.likely} to come + ${input.hoursWorked + input.hours.likely} h × ${input.hourlyRate} = about ${out.cost.likely.toFixed(0)}`,
    `A good one: about ${input.goodOne.likely}. Left: ${out.gain.likely.toFixed(0)}, between ${out.gain.low.toFixed(0)} and ${out.gain.high.toFixed(0)}`,
    ...(out.perHour === null ? [] : [`An own hour earns about ${out.perHour.toFixed(1)}`]),
  ],
};

export const WORTH_SUMS = [worthSum];
