import { FINDING_KINDS, SETTLEMENTS, SEVERITIES, type Settlement } from '@/core/intake/findings';
import { type NewFinding } from '@/data/findings';
import Joi from 'joi';
import { FINISHES, PLASTICS, STAGES, STAGE_STATES, type Stage, type StageState } from '@/core/runsheet/stages';

import type { NewPiece } from '@/data/pieces';

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
});

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
};

export const pieceSchema = Joi.object<NewPiece>({ restorationId: Joi.string().required(), ...pieceFields });
export const changePieceSchema = Joi.object<Omit<NewPiece, 'restorationId'> & { pieceId: string }>({
  pieceId: Joi.string().required(),
  ...pieceFields,
});
