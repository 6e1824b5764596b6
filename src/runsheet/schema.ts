import { FINDING_KINDS, SETTLEMENTS, SEVERITIES, type Settlement } from '@/core/intake/findings';
import type { NewFinding } from '@/data/findings';
import type { OwnerRequest } from '@/data/rows';
import Joi from 'joi';
import { surfaceSchema } from '@/edge/cleaningSchema';
import { AIMS, type Aim } from '@/core/intake/aim';
import { ABOUTS, ANSWERS, CHANGING, type OwnerAnswer } from '@/core/intake/owner';
import type { Share } from '@/core/photo/picture';
import { FINISHES, PLASTICS, STAGES, STAGE_STATES, type Stage, type StageState } from '@/core/runsheet/stages';

import type { NewPiece } from '@/data/pieces';

type NewRequest = Pick<OwnerRequest, 'restorationId' | 'pieceId' | 'stage' | 'about' | 'what' | 'why' | 'alternatives'>;

const place = {
  restorationId: Joi.string().required(),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
};
const words = (label: string) =>
  Joi.string().trim().max(4000).required().label(label).messages({ 'string.empty': '{#label} is empty. Write a few words.' });
const millimetres = (label: string) => Joi.number().positive().max(5000).empty('').default(null).allow(null).label(label);

export const noteSchema = Joi.object<{ restorationId: string; stage: Stage; words: string; corrects: number | null }>({
  ...place,
  words: words('Note'),
  corrects: Joi.number().integer().empty('').default(null).allow(null),
});

export const minutesSchema = Joi.object<{ restorationId: string; stage: Stage; minutes: number; words: string }>({
  ...place,
  minutes: Joi.number().integer().min(1).max(1440).required().label('Minutes'),
  words: words('What was done'),
});

export const materialSchema = Joi.object<{ restorationId: string; stage: Stage; words: string; cost: number }>({
  ...place,
  words: words('Material'),
  cost: Joi.number().min(0).max(1_000_000).empty('').default(0).label('Cost'),
});

export const findingSchema = Joi.object<NewFinding>({
  ...place,
  pieceId: Joi.string().empty('').default(null).allow(null),
  kind: Joi.string()
    .valid(...FINDING_KINDS)
    .required()
    .label('What'),
  severity: Joi.string()
    .valid(...SEVERITIES)
    .required()
    .label('How bad'),
  words: Joi.string().trim().max(1000).allow('').default('').label('Where and how'),
  photoId: Joi.string().allow(null).default(null),
  pin: Joi.object<Share>({ x: Joi.number().min(0).max(1).required(), y: Joi.number().min(0).max(1).required() })
    .allow(null)
    .default(null)
    .label('Pin'),
});

export const closeUpSchema = Joi.object<{ findingId: string; photoId: string }>({
  findingId: Joi.string().required(),
  photoId: Joi.string().required(),
});

export const findingIdSchema = Joi.object<{ findingId: string }>({ findingId: Joi.string().required() });

export const settleFindingSchema = Joi.object<{ findingId: string; settledAs: Settlement; settledWords: string }>({
  findingId: Joi.string().required(),
  settledAs: Joi.string()
    .valid(...SETTLEMENTS)
    .required()
    .label('How'),
  settledWords: Joi.string().trim().max(1000).allow('').default('').label('Words'),
});

export const settleStageSchema = Joi.object<{ restorationId: string; stage: Stage; state: StageState; reason: string }>({
  ...place,
  state: Joi.string()
    .valid(...STAGE_STATES)
    .required(),
  reason: Joi.string().trim().max(1000).allow('').default('').label('Reason'),
});

const pieceFields = {
  tag: Joi.string().trim().max(12).required().label('Tag').messages({ 'string.empty': 'Give it the tag you write on the masking tape.' }),
  name: Joi.string().trim().max(120).required().label('Piece').messages({ 'string.empty': 'Say which piece it is.' }),
  plastic: Joi.string()
    .valid(...PLASTICS)
    .required()
    .label('Plastic'),
  finish: Joi.string()
    .valid(...FINISHES)
    .required()
    .label('Finish'),
  lengthMm: millimetres('Length'),
  widthMm: millimetres('Width'),
  heightMm: millimetres('Height'),
  labels: Joi.string().trim().max(500).allow('').default('').label('Labels to protect'),
  metalInside: Joi.string().trim().max(500).allow('').default('').label('Metal still inside'),
  aim: Joi.string()
    .valid(...AIMS)
    .empty('')
    .default(null)
    .allow(null)
    .label('How far to go'),
  worthKeeping: Joi.string().trim().max(500).allow('').default('').label('Worth keeping'),
  surfaces: Joi.array().items(surfaceSchema).unique().default([]).label('Surfaces'),
  hollow: Joi.boolean().default(false).label('Hollow'),
};

export const pieceSchema = Joi.object<NewPiece>({ restorationId: Joi.string().required(), ...pieceFields });
export const changePieceSchema = Joi.object<Omit<NewPiece, 'restorationId'> & { pieceId: string }>({
  pieceId: Joi.string().required(),
  ...pieceFields,
});

export const aimSchema = Joi.object<{ restorationId: string; aim: Aim; worthKeeping: string }>({
  restorationId: Joi.string().required(),
  aim: Joi.string()
    .valid(...AIMS)
    .required()
    .label('How far to go'),
  worthKeeping: Joi.string().trim().max(1000).allow('').default('').label('Worth keeping'),
});

const money = (label: string) => Joi.number().min(0).max(1_000_000).empty('').default(0).label(label);
const changing = Joi.string().valid(...CHANGING);

export const ownerSchema = Joi.object<{ restorationId: string; owner: string; stages: Stage[]; spend: number; words: string }>({
  restorationId: Joi.string().required(),
  owner: Joi.string().trim().max(120).allow('').default('').label('Owner'),
  stages: Joi.array().items(changing).unique().default([]).label('Allowed without asking'),
  spend: money('Purchases up to'),
  words: Joi.string().trim().max(1000).allow('').default('').label('In the owner’s words'),
});

export const requestSchema = Joi.object<NewRequest & { cost: number }>({
  restorationId: Joi.string().required(),
  pieceId: Joi.string().empty('').default(null).allow(null),
  stage: changing.required().label('Stage'),
  about: Joi.string()
    .valid(...ABOUTS)
    .required()
    .label('About'),
  what: words('What you would do'),
  why: words('Why'),
  cost: money('What it costs'),
  alternatives: words('What else could be done'),
});

export const answerSchema = Joi.object<{ requestId: string; answer: OwnerAnswer; answerWords: string }>({
  requestId: Joi.string().required(),
  answer: Joi.string()
    .valid(...ANSWERS)
    .required()
    .label('Answer'),
  answerWords: Joi.string().trim().max(1000).allow('').default('').label('Conditions or words'),
});

const guess = (label: string) =>
  Joi.number().min(0).max(1_000_000).required().label(label).messages({ 'number.base': '{#label} is empty. A guess is enough.' });
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
