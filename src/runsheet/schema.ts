import type { OwnerRequest } from '@/data/rows';
import Joi from 'joi';
import { MOST } from '@/core/limits';
import { someWords, stagePlace } from '@/edge/placeSchema';
import { surfaceSchema } from '@/core/materials/schema';
import { AIMS, type Aim } from '@/core/intake/aim';
import { ABOUTS, ANSWERS, CHANGING, type OwnerAnswer } from '@/core/intake/owner';
import { FINISHES, MATERIALS, METAL, STAGE_STATES, type Stage, type StageState, YES_NO } from '@/core/runsheet/stages';

import type { NewPiece } from '@/work/pieces';

type NewRequest = Pick<OwnerRequest, 'restorationId' | 'pieceId' | 'stage' | 'about' | 'what' | 'why' | 'alternatives'>;

const millimetres = (label: string) =>
  Joi.number().positive().max(MOST.sideMm).empty('').default(null).allow(null).label(label);

export const restorationIdSchema = Joi.object<{ restorationId: string }>({ restorationId: Joi.string().required() });

export const settleStageSchema = Joi.object<{ restorationId: string; stage: Stage; state: StageState; reason: string }>(
  {
    ...stagePlace,
    state: Joi.string()
      .valid(...STAGE_STATES)
      .required(),
    reason: Joi.string().trim().max(MOST.words).allow('').default('').label('Reason'),
  },
);

const pieceFields = {
  tag: Joi.string()
    .trim()
    .max(MOST.tag)
    .required()
    .label('Tag')
    .messages({ 'string.empty': 'Give it the tag you write on the masking tape.' }),
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Piece')
    .messages({ 'string.empty': 'Say which piece it is.' }),
  plastic: Joi.string()
    .valid(...MATERIALS)
    .required()
    .label('Material'),
  finish: Joi.string()
    .valid(...FINISHES)
    .required()
    .label('Finish'),
  lengthMm: millimetres('Length'),
  widthMm: millimetres('Width'),
  heightMm: millimetres('Height'),
  parts: Joi.number()
    .integer()
    .min(1)
    .max(MOST.parts)
    .empty('')
    .default(1)
    .label('How many parts')
    .messages({ 'number.min': 'At least one part. A set of caps counts its caps.' }),
  label: Joi.string()
    .valid(...YES_NO)
    .default('no')
    .label('A label on it'),
  labels: Joi.string().trim().max(MOST.few).allow('').default('').label('Which label'),
  metal: Joi.string()
    .valid(...METAL)
    .default('no')
    .label('Metal inside'),
  metalInside: Joi.string().trim().max(MOST.few).allow('').default('').label('Which metal'),
  aim: Joi.string()
    .valid(...AIMS)
    .empty('')
    .default(null)
    .allow(null)
    .label('How far to go'),
  worthKeeping: Joi.string().trim().max(MOST.few).allow('').default('').label('Worth keeping'),
  surfaces: Joi.array().items(surfaceSchema).unique().default([]).label('Surfaces'),
  hollow: Joi.boolean().default(false).label('Hollow'),
};

/** What of a piece is asked as yes or no, with words beside. */
interface YesNo {
  label: (typeof YES_NO)[number];
  metal: (typeof METAL)[number];
}

/** A piece as it was typed, as it is kept: a no is no, whatever is written beside it. */
export function pieceOf<T extends YesNo & { labels: string; metalInside: string }>({
  label,
  metal,
  ...piece
}: T): Omit<T, keyof YesNo> & { metalUntilApart: boolean } {
  return {
    ...piece,
    labels: label === 'no' ? '' : piece.labels || 'a label',
    metalInside: metal === 'no' ? '' : piece.metalInside || (metal === 'yes' ? 'metal' : ''),
    metalUntilApart: metal === 'until it is apart',
  };
}

export const pieceSchema = Joi.object<NewPiece & YesNo & { findingIds: string[] }>({
  restorationId: Joi.string().required(),
  ...pieceFields,
  findingIds: Joi.array().items(Joi.string()).unique().max(500).default([]).label('Findings on it'),
});
export const changePieceSchema = Joi.object<Omit<NewPiece, 'restorationId'> & YesNo & { pieceId: string }>({
  pieceId: Joi.string().required(),
  ...pieceFields,
});

export const aimSchema = Joi.object<{ restorationId: string; aim: Aim; worthKeeping: string }>({
  restorationId: Joi.string().required(),
  aim: Joi.string()
    .valid(...AIMS)
    .required()
    .label('How far to go'),
  worthKeeping: Joi.string().trim().max(MOST.words).allow('').default('').label('Worth keeping'),
});

const money = (label: string) => Joi.number().min(0).max(MOST.money).empty('').default(0).label(label);
const changing = Joi.string().valid(...CHANGING);

export const ownerSchema = Joi.object<{
  restorationId: string;
  owner: string;
  stages: Stage[];
  spend: number;
  words: string;
}>({
  restorationId: Joi.string().required(),
  owner: Joi.string().trim().max(MOST.title).allow('').default('').label('Owner'),
  stages: Joi.array().items(changing).unique().default([]).label('Allowed without asking'),
  spend: money('Purchases up to'),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('In the owner’s words'),
});

export const requestSchema = Joi.object<NewRequest & { cost: number }>({
  restorationId: Joi.string().required(),
  pieceId: Joi.string().empty('').default(null).allow(null),
  stage: changing.required().label('Stage'),
  about: Joi.string()
    .valid(...ABOUTS)
    .required()
    .label('About'),
  what: someWords('What you would do'),
  why: someWords('Why'),
  cost: money('What it costs'),
  alternatives: someWords('What else could be done'),
});

export const answerSchema = Joi.object<{ requestId: string; answer: OwnerAnswer; answerWords: string }>({
  requestId: Joi.string().required(),
  answer: Joi.string()
    .valid(...ANSWERS)
    .required()
    .label('Answer'),
  answerWords: Joi.string().trim().max(MOST.words).allow('').default('').label('Conditions or words'),
});

const guess = (label: string) =>
  Joi.number()
    .min(0)
    .max(MOST.money)
    .required()
    .label(label)
    .messages({ 'number.base': '{#label} is empty. A guess is enough.' });
const range = (name: string, label: string) => ({
  [`${name}Low`]: guess(`${label}, at least`),
  [`${name}Likely`]: guess(`${label}, most likely`)
    .min(Joi.ref(`${name}Low`))
    .messages({ 'number.min': 'The most likely cannot be below the least.' }),
  [`${name}High`]: guess(`${label}, at most`)
    .min(Joi.ref(`${name}Likely`))
    .messages({ 'number.min': 'The most cannot be below the most likely.' }),
});

export const estimateSchema = Joi.object<Record<string, number> & { restorationId: string }>({
  restorationId: Joi.string().required(),
  ...range('parts', 'Parts'),
  ...range('hours', 'Hours'),
  ...range('goodOne', 'A good one'),
});
