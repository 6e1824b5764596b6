import Joi from 'joi';
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
import type { Share } from '@/core/picture/picture';
import { CAME, type Came } from '@/core/runsheet/lessons';
import type { Stage } from '@/core/runsheet/stages';
import type { NewFinding } from '@/work/findings';
import { MOST } from '@/core/limits';
import { someWords, stagePlace } from '@/edge/placeSchema';

export const noteSchema = Joi.object<{ restorationId: string; stage: Stage; words: string; corrects: number | null }>({
  ...stagePlace,
  words: someWords('Note'),
  corrects: Joi.number().integer().empty('').default(null).allow(null),
});

export const minutesSchema = Joi.object<{ restorationId: string; stage: Stage; minutes: number; words: string }>({
  ...stagePlace,
  minutes: Joi.number().integer().min(1).max(1440).required().label('Minutes'),
  words: someWords('What was done'),
});

export const minutesRightSchema = Joi.object<{ entryId: string; minutes: number; words: string }>({
  entryId: Joi.string().required(),
  minutes: Joi.number().integer().min(0).max(1440).required().label('Minutes'),
  words: someWords('What was done'),
});

export const materialSchema = Joi.object<{ restorationId: string; stage: Stage; words: string; cost: number }>({
  ...stagePlace,
  words: someWords('Material'),
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
const pin = Joi.object<Share>({
  x: Joi.number().min(0).max(1).required(),
  y: Joi.number().min(0).max(1).required(),
}).label('Pin');

export const findingSchema = Joi.object<NewFinding>({
  ...stagePlace,
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

export const rewordSchema = Joi.object<Reworded>({
  findingId: Joi.string().required(),
  ...wording,
  part: wording.part.required(),
});

export const movePinSchema = Joi.object<{ findingId: string; photoId: string; pin: Share }>({
  findingId: Joi.string().required(),
  photoId: Joi.string().required(),
  pin: pin.required(),
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
  settledWords: Joi.string().trim().max(MOST.words).allow('').default('').label('Words'),
});

/** A rule of one’s own. */
export const ruleSchema = Joi.object<{
  restorationId: string;
  stage: Stage;
  about: string;
  came: Came;
  words: string;
}>({
  ...stagePlace,
  about: Joi.string().trim().max(MOST.name).allow('').required().label('About'),
  came: Joi.string()
    .valid(...CAME)
    .required()
    .label('What came of it')
    .messages({ 'any.only': 'Choose what came of it.' }),
  words: Joi.string()
    .trim()
    .max(MOST.few)
    .required()
    .label('Rule')
    .messages({ 'string.empty': 'Write the rule: what to do, or not to do.' }),
});

export const heldSchema = Joi.object<{ lessonId: string; restorationId: string; held: boolean }>({
  lessonId: Joi.string().max(60).required(),
  restorationId: Joi.string().max(60).required(),
  held: Joi.boolean().required(),
});

export const dropRuleSchema = Joi.object<{ lessonId: string; again: boolean }>({
  lessonId: Joi.string().max(60).required(),
  again: Joi.boolean().required(),
});
