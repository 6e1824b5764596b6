import {
  FINDING_KINDS,
  FINDING_PARTS,
  SETTLEMENTS,
  SEVERITIES,
  type FindingKind,
  type FindingPart,
  type Settlement,
  type Severity,
} from '@/core/intake/findings';
import type { NewFinding } from '@/data/findings';
import type { OwnerRequest } from '@/data/rows';
import Joi from 'joi';
import { MOST } from '@/edge/limits';
import { surfaceSchema } from '@/edge/cleaningSchema';
import { AIMS, type Aim } from '@/core/intake/aim';
import { ABOUTS, ANSWERS, CHANGING, type OwnerAnswer } from '@/core/intake/owner';
import type { Share } from '@/core/photo/picture';
import { FINISHES, MATERIALS, METAL, STAGES, STAGE_STATES, type Stage, type StageState, YES_NO } from '@/core/runsheet/stages';

import type { NewPiece } from '@/data/pieces';

type NewRequest = Pick<OwnerRequest, 'restorationId' | 'pieceId' | 'stage' | 'about' | 'what' | 'why' | 'alternatives'>;

const place = {
  restorationId: Joi.string().required(),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
};
const words = (label: string) =>
  Joi.string().trim().max(MOST.long).required().label(label).messages({ 'string.empty': '{#label} is empty. Write a few words.' });
const millimetres = (label: string) => Joi.number().positive().max(MOST.sideMm).empty('').default(null).allow(null).label(label);

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

export const minutesRightSchema = Joi.object<{ entryId: string; minutes: number; words: string }>({
  entryId: Joi.string().required(),
  minutes: Joi.number().integer().min(0).max(1440).required().label('Minutes'),
  words: words('What was done'),
});

export const materialSchema = Joi.object<{ restorationId: string; stage: Stage; words: string; cost: number }>({
  ...place,
  words: words('Material'),
  cost: Joi.number().min(0).max(MOST.money).empty('').default(0).label('Cost'),
});

const wording = {
  pieceId: Joi.string().empty('').default(null).allow(null),
  kind: Joi.string()
    .valid(...FINDING_KINDS)
    .required()
    .label('What'),
  part: Joi.string()
    .valid(...FINDING_PARTS)
    .label('What of it'),
  severity: Joi.string()
    .valid(...SEVERITIES)
    .required()
    .label('How bad'),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('Where and how'),
};
const pin = Joi.object<Share>({ x: Joi.number().min(0).max(1).required(), y: Joi.number().min(0).max(1).required() }).label('Pin');

export const findingSchema = Joi.object<NewFinding>({
  ...place,
  ...wording,
  photoId: Joi.string().allow(null).default(null),
  pin: pin.allow(null).default(null),
});

interface Reworded {
  findingId: string;
  pieceId: string | null;
  kind: FindingKind;
  part: FindingPart;
  severity: Severity;
  words: string;
}

export const rewordSchema = Joi.object<Reworded>({ findingId: Joi.string().required(), ...wording, part: wording.part.required() });

export const movePinSchema = Joi.object<{ findingId: string; photoId: string; pin: Share }>({
  findingId: Joi.string().required(),
  photoId: Joi.string().required(),
  pin: pin.required(),
});

export const closeUpSchema = Joi.object<{ findingId: string; photoId: string }>({
  findingId: Joi.string().required(),
  photoId: Joi.string().required(),
});

export const restorationIdSchema = Joi.object<{ restorationId: string }>({ restorationId: Joi.string().required() });

export const findingIdSchema = Joi.object<{ findingId: string }>({ findingId: Joi.string().required() });

export const settleFindingSchema = Joi.object<{ findingId: string; settledAs: Settlement; settledWords: string }>({
  findingId: Joi.string().required(),
  settledAs: Joi.string()
    .valid(...SETTLEMENTS)
    .required()
    .label('How'),
  settledWords: Joi.string().trim().max(MOST.words).allow('').default('').label('Words'),
});

export const settleStageSchema = Joi.object<{ restorationId: string; stage: Stage; state: StageState; reason: string }>({
  ...place,
  state: Joi.string()
    .valid(...STAGE_STATES)
    .required(),
  reason: Joi.string().trim().max(MOST.words).allow('').default('').label('Reason'),
});

const pieceFields = {
  tag: Joi.string().trim().max(MOST.tag).required().label('Tag').messages({ 'string.empty': 'Give it the tag you write on the masking tape.' }),
  name: Joi.string().trim().max(MOST.name).required().label('Piece').messages({ 'string.empty': 'Say which piece it is.' }),
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

export const ownerSchema = Joi.object<{ restorationId: string; owner: string; stages: Stage[]; spend: number; words: string }>({
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
  answerWords: Joi.string().trim().max(MOST.words).allow('').default('').label('Conditions or words'),
});

const guess = (label: string) =>
  Joi.number().min(0).max(MOST.money).required().label(label).messages({ 'number.base': '{#label} is empty. A guess is enough.' });
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
