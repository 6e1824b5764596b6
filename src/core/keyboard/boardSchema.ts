import Joi from 'joi';
import { LINE_KINDS, type Line } from './board';
import { KEYBOARD_KINDS } from './kinds';
import { MOST_KEYS, type Board, type BoardKey } from './layout';

const mm = (label: string, least = 0) => Joi.number().min(least).max(1500).required().label(label);
const name = (label: string) => Joi.string().trim().min(1).max(40).required().label(label);
const lineName = Joi.string().trim().min(1).max(40).allow(null);

export const boardKeysSchema = Joi.array<BoardKey[]>()
  .items(
    Joi.object({
      id: name('Name of the key'),
      x: mm('From the left, mm'),
      y: mm('From above, mm'),
      w: mm('Width, mm', 1),
      h: mm('Height, mm', 1),
      row: lineName.default(null).label('Row'),
      column: lineName.default(null).label('Column'),
    }),
  )
  .min(1)
  .max(MOST_KEYS)
  .label('Keys')
  .messages({
    'array.max': `{#label}: a keyboard has at most ${MOST_KEYS}.`,
    'array.min': 'A keyboard needs at least one key.',
  });

export const boardLinesSchema = Joi.array<Line[]>()
  .items(
    Joi.object({
      id: name('Name of the line'),
      kind: Joi.string()
        .valid(...LINE_KINDS)
        .required()
        .label('Row or column'),
      route: Joi.array().items(Joi.string().trim().max(40)).max(MOST_KEYS).required().label('Route'),
      foldAfter: Joi.array().items(Joi.string().trim().max(40)).max(40).default([]).label('Folds after'),
    }),
  )
  .max(200)
  .label('Lines');

/** Codes of key events, as browsers name them, each with the key that makes it. */
export const codesSchema = Joi.object<Record<string, string>>()
  .pattern(Joi.string().min(1).max(40), Joi.string().trim().max(40).required())
  .max(2 * MOST_KEYS)
  .label('Codes');

export const BOARD_FORMAT = 'kvell-keyboard';
export const BOARD_VERSION = 1;

/** A keyboard as a file: what it is, its keys in mm on their field, its lines along their keys. */
export const boardFileSchema = Joi.object<Board & { format: string; version: number }>({
  format: Joi.string()
    .valid(BOARD_FORMAT)
    .required()
    .label('Format')
    .messages({ 'any.only': 'This is no keyboard of Kvell: “format” has to be “kvell-keyboard”.' }),
  version: Joi.number()
    .valid(BOARD_VERSION)
    .required()
    .label('Version')
    .messages({ 'any.only': 'This keyboard was written by another version of Kvell. It can read version 1.' }),
  name: Joi.string().trim().min(1).max(80).required().label('Name'),
  kind: Joi.string()
    .valid(...KEYBOARD_KINDS)
    .required()
    .label('Kind'),
  widthMm: mm('Width of the field, mm', 5),
  heightMm: mm('Height of the field, mm', 5),
  keys: boardKeysSchema.required(),
  lines: boardLinesSchema.default([]),
});
