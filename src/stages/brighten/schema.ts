import Joi from 'joi';
import { MOST } from '@/core/limits';
import { SCHOOLS, type SchoolId } from '@/core/session/schools';
import { STRENGTH_UNITS, type StrengthUnit } from '@/core/peroxide/strength';
import { REFUSE_ABOVE_PERCENT_WW } from '@/core/peroxide/dilution';
import { HOTTEST_BATH_C } from '@/core/fade/dose';

export interface PlanForm {
  pieceId: string;
  /** Pieces that lie in the same mixture and light with it. */
  withIds: string[];
  school: SchoolId;
  stockId: string | null;
  strengthValue: number | null;
  strengthUnit: StrengthUnit;
  targetPercentWW: number;
  /** The solution stands already, mixed before: nothing is taken out of the bottle. */
  stands: boolean;
  volumeL: number;
  /** The tub that the bath stands in; `null` where the litres are given. */
  tubId: string | null;
  /** Of the piece, g; 0 where nobody weighed it. */
  weightG: number;
  areaCm2: number;
  windowStart: string;
  durationMin: number;
  turnEveryMin: number;
  cloudPercent: number;
  lampMwPerCm2: number;
  temperatureC: number;
  toleranceB: number;
  cautionsConfirmed: boolean;
  /** Gates that were said to be passed. */
  checks: string[];
}

/** Ids as a list, or in one line of an address. */
const idList = Joi.array()
  .items(Joi.string().max(60))
  .max(30)
  .default([])
  .custom((ids: string[]) => ids.filter(Boolean));

/** A planned exposure as the form sends it. */
export const planSchema = Joi.object<PlanForm>({
  pieceId: Joi.string().required(),
  withIds: idList,
  school: Joi.string()
    .valid(...SCHOOLS)
    .required()
    .label('Way'),
  stockId: Joi.string().empty('').default(null).allow(null).label('Bottle'),
  strengthValue: Joi.number()
    .positive()
    .max(MOST.strength)
    .empty('')
    .when('stockId', { is: null, then: Joi.required(), otherwise: Joi.optional().default(null) })
    .label('Strength on the label')
    .messages({ 'any.required': 'Choose a bottle, or give the strength on the label of the one in hand.' }),
  strengthUnit: Joi.string()
    .valid(...STRENGTH_UNITS)
    .default('percentWW'),
  targetPercentWW: Joi.number().positive().max(REFUSE_ABOVE_PERCENT_WW).empty('').default(12).label('Strength wanted'),
  stands: Joi.boolean().empty('').default(false),
  volumeL: Joi.number().positive().max(500).empty('').default(5).label('Liquid wanted'),
  tubId: Joi.string().empty('').default(null).allow(null).label('Tub'),
  weightG: Joi.number().min(0).max(50_000).empty('').default(0).label('Weight of the piece'),
  areaCm2: Joi.number().positive().max(100_000).empty('').default(500).label('Surface'),
  windowStart: Joi.string().required().label('From'),
  durationMin: Joi.number().integer().min(1).max(MOST.plannedMin).required().label('Minutes'),
  turnEveryMin: Joi.number().integer().min(5).max(MOST.turnMin).required().label('Turn every'),
  cloudPercent: Joi.number().min(0).max(100).empty('').default(0).label('Cloud'),
  lampMwPerCm2: Joi.number().min(0).max(MOST.lampMwPerCm2).empty('').default(0).label('Lamp'),
  temperatureC: Joi.number()
    .min(MOST.coldestC)
    .max(HOTTEST_BATH_C)
    .empty('')
    .default(25)
    .label('Temperature')
    .messages({
      'number.max': `Over ${HOTTEST_BATH_C} °C long thin parts bend. Stay at ${HOTTEST_BATH_C} °C or below; shade or vent it.`,
    }),
  toleranceB: Joi.number().positive().max(MOST.toleranceB).empty('').default(1.5).label('Good enough within'),
  cautionsConfirmed: Joi.boolean().default(false),
  checks: Joi.array().items(Joi.string().max(60)).max(20).default([]),
});

/** A thermometer read while an exposure runs. */
export const warmthSchema = Joi.object<{ sessionId: string; temperatureC: number }>({
  sessionId: Joi.string().required(),
  temperatureC: Joi.number().min(MOST.coldestC).max(MOST.readingC).required().label('Read now'),
});

/** A look at the sky: how much of it is covered, and for how long that is taken to hold. */
export const lookSchema = Joi.object<{ cloudPercent: number; forHours: number }>({
  cloudPercent: Joi.number().min(0).max(100).required().label('Cloud'),
  forHours: Joi.number().integer().min(1).max(12).default(3).label('Hours'),
});

/** A CSV of hours. */
export const skyFileSchema = Joi.object<{ name: string; text: string }>({
  name: Joi.string().max(200).required(),
  text: Joi.string().max(900_000).required().label('File').messages({
    'string.max': 'This file is too large for hours of sky. Send up to 900 kB.',
    'string.empty': 'This file is empty.',
  }),
});

/** A planned session that is to ring when it begins. */
export const ringSchema = Joi.object<{
  pieceId: string;
  school: SchoolId;
  from: Date;
  to: Date;
  inPlaceOf: string | null;
}>({
  pieceId: Joi.string().required(),
  school: Joi.string()
    .valid(...SCHOOLS)
    .required(),
  from: Joi.date().iso().required(),
  to: Joi.date().iso().greater(Joi.ref('from')).required(),
  inPlaceOf: Joi.string().allow(null).default(null),
});

/** How a piece is kept after its brightening. */
export const keptSchema = Joi.object<{ pieceId: string; storage: 'dark' | 'light' }>({
  pieceId: Joi.string().required(),
  storage: Joi.string().valid('dark', 'light').required().label('Kept'),
});

export interface EndForm {
  sessionId: string;
  endedAt: string;
  cloudPercent: number;
  temperatureC: number;
  words: string;
}

export interface CorrectionForm {
  sessionId: string;
  startedAt: string;
  endedAt: string | null;
  cloudPercent: number;
  lampMwPerCm2: number;
  temperatureC: number;
  turns: number;
  words: string;
}

/** What was written down wrong of a session, as it really was. */
export const correctionSchema = Joi.object<CorrectionForm>({
  sessionId: Joi.string().required(),
  startedAt: Joi.string().required().label('Began at'),
  endedAt: Joi.string().empty('').default(null).label('Ended at'),
  cloudPercent: Joi.number().min(0).max(100).empty('').default(0).label('Cloud'),
  lampMwPerCm2: Joi.number().min(0).max(MOST.lampMwPerCm2).empty('').default(0).label('Lamp'),
  temperatureC: Joi.number().min(MOST.coldestC).max(MOST.readingC).empty('').default(25).label('Temperature'),
  turns: Joi.number().integer().min(0).max(500).empty('').default(0).label('Turns'),
  words: Joi.string().trim().max(2000).allow('').default('').label('What happened'),
});

/** Fresh cream while an exposure runs. */
export const coatSchema = Joi.object<{ sessionId: string; amountMl: number }>({
  sessionId: Joi.string().required(),
  amountMl: Joi.number().positive().max(5000).required().label('Fresh cream'),
});

/** A turn was made. */
export const turnedSchema = Joi.object<{ timerId: string }>({ timerId: Joi.string().required() });

/** A turn was made, with a fresh coat. */
export const turnedAndCoatedSchema = coatSchema.append<{ timerId: string; sessionId: string; amountMl: number }>({
  timerId: Joi.string().required(),
});

/** How an exposure really ended. */
export const endSchema = Joi.object<EndForm>({
  sessionId: Joi.string().required(),
  endedAt: Joi.string().required().label('Ended at'),
  cloudPercent: Joi.number().min(0).max(100).empty('').default(0).label('Cloud'),
  temperatureC: Joi.number().min(MOST.coldestC).max(MOST.readingC).empty('').default(25).label('Temperature'),
  words: Joi.string().trim().max(2000).allow('').default('').label('What happened'),
});

export interface TurnForm {
  pieceId: string;
  start: string;
  durationMin: number;
  turnEveryMin: number;
  leanDeg: number;
  cloudPercent: number;
}

/** A session whose turns are asked for. */
export const turnSchema = Joi.object<TurnForm>({
  pieceId: Joi.string().required(),
  start: Joi.string().required().label('From'),
  durationMin: Joi.number().integer().min(5).max(MOST.turnMin).required().label('Minutes'),
  turnEveryMin: Joi.number().integer().min(5).max(MOST.turnMin).required().label('Turn every'),
  leanDeg: Joi.number().min(0).max(80).empty('').default(0).label('Propped up'),
  cloudPercent: Joi.number().min(0).max(100).empty('').default(0).label('Cloud'),
});

export interface RehearseForm {
  pieceId: string;
  start: string;
  durationMin: number;
  cloudPercent: number;
  percentWW: number;
  temperatureC: number;
  film: 'smooth' | 'wrinkled' | 'none';
  spread: 'even' | 'thick in places';
  turned: 'by the plan' | 'never';
  frothPercent: number;
  seed: number;
}

/** A session that is rehearsed: nothing is kept. */
export const rehearseSchema = Joi.object<RehearseForm>({
  pieceId: Joi.string().required(),
  start: Joi.string().required().label('From'),
  durationMin: Joi.number().integer().min(5).max(MOST.turnMin).required().label('Minutes'),
  cloudPercent: Joi.number().min(0).max(100).empty('').default(0).label('Cloud'),
  percentWW: Joi.number().positive().max(REFUSE_ABOVE_PERCENT_WW).required().label('Strength'),
  temperatureC: Joi.number().min(MOST.coldestC).max(90).required().label('Warmth'),
  film: Joi.string().valid('smooth', 'wrinkled', 'none').required().label('Film'),
  spread: Joi.string().valid('even', 'thick in places').required().label('Cream'),
  turned: Joi.string().valid('by the plan', 'never').required().label('Turned'),
  frothPercent: Joi.number().min(0).max(100).empty('').default(0).label('Froth'),
  seed: Joi.number().integer().min(1).max(1e6).default(1),
});

export interface AnswerForm {
  seed: number;
  answered: number;
}

export const answerSchema = Joi.object<AnswerForm>({
  seed: Joi.number().integer().min(1).max(1e6).required(),
  answered: Joi.number().integer().min(0).max(2).required().label('Answer'),
});
