import Joi from 'joi';
import { LINE_KINDS, type Line, type MatrixKey } from '../keyboard/board';
import { diagnose, type Diagnosing, type Diagnosis } from '../keyboard/diagnosis';
import { faultWords } from '../keyboard/words';
import { OBSERVED, type Observed, type Reading } from '../keyboard/evidence';
import { contactVerdict, traceResistance, usualContactLimits, type ContactLimits, type Trace } from '../keyboard/trace';
import { assumedWords } from '../assumptions/assumptions';
import type { Sum } from './sum';

/** Ids may be written as numbers; they are names all the same. */
const idOf = (label: string) =>
  Joi.alternatives().try(Joi.string().trim().max(60), Joi.number().cast('string')).required().label(label);
const ids = (label: string) =>
  Joi.array()
    .items(
      Joi.alternatives().try(Joi.string().trim().max(60), Joi.number().cast('string')),
      Joi.string().valid('').strip(),
    )
    .max(400)
    .label(label);
/** A meter shows no more; beyond it the reading is open. */
const MOST_OHMS = 1e9;
const ohmsLeast = { 'number.min': '{#label} cannot be below 0. Turn the tips round, or measure again.' };

interface DiagnosisInput {
  keys: MatrixKey[];
  lines: Line[];
  observations: Record<string, Observed>;
  readings: Reading[];
  bridges: { a: string; b: string; answered: { pressed: string; also: string[] }[] }[];
  plug: { lines: string[] };
}

const given = ({ bridges, plug, ...rest }: DiagnosisInput): Diagnosing => ({
  ...rest,
  ...(bridges.length > 0 && {
    bridges: bridges.map(({ a, b, answered }) => ({
      lines: [a, b] as [string, string],
      answered: Object.fromEntries(answered.map(({ pressed, also }) => [pressed, also])),
    })),
  }),
  ...(plug.lines.length > 0 && { plug }),
});

const percent = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;
const together = (faults: Diagnosis['hypotheses'][number]['faults']) =>
  faults.length === 0 ? 'nothing is wrong' : faults.map(faultWords).join('; ');

const keyboardDiagnosis: Sum<DiagnosisInput, Diagnosis & { elapsedMs: number }> = {
  name: 'keyboard-diagnosis',
  title: 'Keyboard diagnosis',
  summary: 'What is wrong with a keyboard’s lines and contacts, by what its keys do, and where to put the tips next.',
  input: Joi.object({
    keys: Joi.array()
      .items(Joi.object({ id: idOf('Key'), row: idOf('Its row'), column: idOf('Its column') }))
      .min(1)
      .max(400)
      .required()
      .label('Keys'),
    lines: Joi.array()
      .items(
        Joi.object({
          id: idOf('Line'),
          kind: Joi.string()
            .valid(...LINE_KINDS)
            .required()
            .label('Row or column'),
          route: ids('Its keys in the order from the connector, one a line').required(),
          foldAfter: ids('Folds after these keys, one a line').default([]),
        }),
      )
      .max(200)
      .required()
      .label('Lines'),
    observations: Joi.object()
      .pattern(
        Joi.string().max(60),
        Joi.string()
          .valid(...OBSERVED)
          .label('What a key did'),
      )
      .max(400)
      .default({})
      .label('What keys did, one a line, like “a: works”'),
    readings: Joi.array()
      .items(
        Joi.object({
          line: idOf('Line'),
          from: idOf('From (connector or key)'),
          to: idOf('To'),
          ohms: Joi.number()
            .min(0)
            .max(MOST_OHMS)
            .allow(null)
            .default(null)
            .label('Ω, empty where the meter shows open')
            .messages({
              ...ohmsLeast,
              'number.max': '{#label} is more than any meter shows: leave it empty, which is open.',
            }),
        }),
      )
      .max(1000)
      .default([])
      .label('Readings along a line'),
    bridges: Joi.array()
      .items(
        Joi.object({
          a: idOf('A line'),
          b: idOf('and one of its kind'),
          answered: Joi.array()
            .items(Joi.object({ pressed: idOf('Key pressed'), also: ids('Keys that answered besides it').default([]) }))
            .max(400)
            .default([])
            .label('Keys pressed'),
        }),
      )
      .max(100)
      .default([])
      .label('Lines that may be joined'),
    plug: Joi.object({ lines: ids('Lines that one plug carries, one a line').default([]) })
      .default({ lines: [] })
      .label('Plug'),
  }),
  compute: (input) => {
    const before = performance.now();
    const found = diagnose(given(input));
    return { ...found, elapsedMs: performance.now() - before };
  },
  source:
    'Each line whole or open in one segment, each key fine, bad in its contact or stuck, independent beforehand (Kvell’s guesses); Bayes’ rule over all of it, exact given the opens of one side, those searched best first with a bound on what is left out. The next probe is the reading with the largest mutual information (Shannon 1948).',
  example: {
    keys: [
      ...['a', 'b', 'c', 'd'].map((id, i) => ({ id, row: 'lower', column: `${i + 1}` })),
      ...['e', 'f', 'g', 'h'].map((id, i) => ({ id, row: 'upper', column: `${i + 1}` })),
    ],
    lines: [
      { id: 'lower', kind: 'row', route: ['a', 'b', 'c', 'd'], foldAfter: [] },
      { id: 'upper', kind: 'row', route: ['e', 'f', 'g', 'h'], foldAfter: [] },
      ...['1', '2', '3', '4'].map((id, i): Line => ({
        id,
        kind: 'column',
        route: ['efgh'[i]!, 'abcd'[i]!],
        foldAfter: [],
      })),
    ],
    observations: { a: 'works', b: 'works', c: 'dead', d: 'dead', e: 'works', f: 'works', g: 'works', h: 'works' },
    readings: [],
    bridges: [],
    plug: { lines: [] },
  },
  results: ({ hypotheses, nextProbe, costliestMistake }) => [
    ...hypotheses
      .slice(0, 3)
      .map(({ faults, probability }) => ({ label: together(faults), value: percent(probability) })),
    ...(nextProbe
      ? [
          {
            label: `Measure next: line ${nextProbe.line}, ${nextProbe.from} to ${nextProbe.to}`,
            value: `${nextProbe.informationBits.toFixed(2)} bits`,
          },
        ]
      : []),
    ...(costliestMistake
      ? [{ label: `Not so: ${faultWords(costliestMistake.fault)}`, value: percent(costliestMistake.probability) }]
      : []),
  ],
  working: ({ hypotheses, marginals, contradictions, leftOut }) => [
    ...hypotheses.slice(0, 8).map(({ faults, probability }) => `${percent(probability)}: ${together(faults)}`),
    ...marginals.lines
      .filter(({ whole }) => whole < 0.98)
      .map(({ line, whole }) => `Line ${line} is whole by ${percent(whole)}`),
    ...contradictions.map(([a, b]) => `Readings ${a + 1} and ${b + 1} cannot both be right: measure both again`),
    `Left out: at most ${percent(leftOut)}`,
    ...(['line breaks', 'fold breaks', 'contact fails', 'key sticks', 'seen wrongly', 'read wrongly'] as const).map(
      assumedWords,
    ),
  ],
  estimate: 'How often what breaks is a guess; readings outweigh it soon.',
};

const positive = (label: string, most: number) => Joi.number().positive().max(most).label(label);

const traceSum: Sum<Trace, ReturnType<typeof traceResistance>> = {
  name: 'trace-resistance',
  title: 'Resistance of a painted track',
  summary: 'What a bridge of conductive paint or a printed track will measure, against what the board takes.',
  input: Joi.object({
    lengthMm: positive('Length', 5000).unit('mm').required(),
    widthMm: positive('Width', 500).unit('mm').required(),
    sheetOhmsPerSquare: positive('Ω per square of one coat', 1e6).required(),
    coats: Joi.number().integer().min(1).max(20).default(1).label('Coats'),
    contactOhms: Joi.number().min(0).max(1e6).default(0).label('Its contacts, Ω').messages(ohmsLeast),
    limitOhms: positive('The board takes, Ω', 1e6).default(1000),
  }),
  compute: traceResistance,
  source:
    'Resistance = sheet resistance × length / width. Printed silver 0.02 to 0.05 Ω per square, carbon 10 to 30, conductive paint by its label.',
  example: { lengthMm: 4, widthMm: 0.8, sheetOhmsPerSquare: 0.5, coats: 2, contactOhms: 6, limitOhms: 1000 },
  results: ({ squares, ohms, verdict }, { limitOhms }) => [
    { label: 'Squares along it', value: squares, digits: 1 },
    { label: 'Resistance, Ω', value: ohms, digits: ohms < 10 ? 2 : 0 },
    {
      label: `The board takes ${limitOhms} Ω`,
      value: { good: 'good', works: 'works, with little in hand', fails: 'too much: wider, shorter or one more coat' }[
        verdict
      ],
    },
  ],
  working: ({ squares, ohms }, { lengthMm, widthMm, sheetOhmsPerSquare, coats, contactOhms }) => [
    `${lengthMm} mm / ${widthMm} mm = ${squares.toFixed(2)} squares`,
    `${squares.toFixed(2)} × ${sheetOhmsPerSquare} Ω / ${coats} + ${contactOhms} Ω = ${ohms.toFixed(2)} Ω`,
  ],
};

interface LimitsInput extends ContactLimits {
  ohms: number | null;
}

const contactLimits: Sum<LimitsInput, { verdict: ReturnType<typeof contactVerdict> }> = {
  name: 'contact-limits',
  title: 'Contact limits',
  summary: 'Whether a key’s contact passes, is worth cleaning, or wants renewing.',
  input: Joi.object({
    ohms: Joi.number()
      .min(0)
      .max(MOST_OHMS)
      .allow(null)
      .default(null)
      .label('Measured, Ω, empty where open')
      .messages(ohmsLeast),
    passOhms: positive('It passes under, Ω', 1e6).default(usualContactLimits().passOhms),
    cleanOhms: Joi.number()
      .min(Joi.ref('passOhms'))
      .max(1e7)
      .default(usualContactLimits().cleanOhms)
      .label('It is cleaned up to, Ω')
      .messages({ 'number.min': '{#label} must not be less than what passes.' }),
  }),
  compute: ({ ohms, ...limits }) => ({ verdict: contactVerdict(ohms, limits) }),
  source:
    'Carbon contacts of one or two hundred ohms are good; service sheets allow about a kilo-ohm over their life. Own limits of a kind of board outweigh these.',
  example: { ohms: 1800, ...usualContactLimits() },
  results: ({ verdict }) => [
    {
      label: 'The contact',
      value: { pass: 'passes', clean: 'clean it first', renew: 'clean it once; else renew it' }[verdict],
    },
  ],
  working: (_, { ohms, passOhms, cleanOhms }) => [
    `${ohms === null ? 'open' : `${ohms} Ω`}: passes under ${passOhms} Ω, cleaned up to ${cleanOhms} Ω, renewed above`,
  ],
};

export const KEYBOARD_SUMS = [keyboardDiagnosis, traceSum, contactLimits];
