import Joi from 'joi';
import type { AgentId } from '@/core/materials/agents';
import { VISIBLE, type Visible } from '@/core/cleaning/ladder';
import { OUTCOMES, type Outcome } from '@/core/cleaning/outcomes';
import { SOIL_IDS, type SoilId } from '@/core/cleaning/soils';
import type { Tub } from '@/core/cleaning/loads';
import { agentSchema } from '@/core/materials/schema';

const id = Joi.string().required();
const words = (label: string) => Joi.string().trim().max(1000).allow('').default('').label(label);

export const soilSchema = Joi.object<{ findingId: string; soil: SoilId; visible: Visible }>({
  findingId: id,
  soil: Joi.string()
    .valid(...SOIL_IDS)
    .required()
    .label('What it is'),
  visible: Joi.string()
    .valid(...VISIBLE)
    .required()
    .label('Seen from'),
});

const confirmed = Joi.boolean()
  .valid(true)
  .required()
  .label('Cautions')
  .messages({ 'any.only': 'Read the cautions and confirm that the protection is on before you start.' });

export const startSchema = Joi.object<{ findingIds: string[]; agent: AgentId; confirmed: boolean }>({
  findingIds: Joi.array().items(Joi.string()).min(1).max(100).required().label('Spots'),
  agent: agentSchema.required(),
  confirmed,
});

/** Pieces that go into the water together. */
export const bathSchema = Joi.object<{ restorationId: string; pieceIds: string[]; agent: AgentId; confirmed: boolean }>(
  {
    restorationId: id,
    pieceIds: Joi.array()
      .items(Joi.string())
      .min(1)
      .max(60)
      .required()
      .label('What goes in')
      .messages({ 'array.min': 'Choose what goes into the water.' }),
    agent: Joi.string().valid('soap-soak', 'hose-rinse').required().label('How'),
    confirmed,
  },
);

export const bathOutSchema = Joi.object<{
  restorationId: string;
  came: { pieceId: string; outcome: 'gone' | 'better' | 'no change' }[];
}>({
  restorationId: id,
  came: Joi.array()
    .items(Joi.object({ pieceId: id, outcome: Joi.string().valid('gone', 'better', 'no change').required() }))
    .min(1)
    .max(60)
    .required(),
});

export const outcomeSchema = Joi.object<{ stepId: string; outcome: Outcome; words: string }>({
  stepId: id,
  outcome: Joi.string()
    .valid(...OUTCOMES)
    .required()
    .label('What came of it'),
  words: Joi.when('outcome', {
    is: 'harmed',
    then: Joi.string()
      .trim()
      .max(1000)
      .required()
      .label('Words')
      .messages({ 'string.empty': 'Say what it harmed; the verdict for this surface follows from it.' }),
    otherwise: words('Words'),
  }),
});

export const harmPhotoSchema = Joi.object<{ stepId: string; photoId: string }>({ stepId: id, photoId: id });

export const leaveSchema = Joi.object<{ findingId: string; words: string }>({
  findingId: id,
  words: Joi.string()
    .trim()
    .max(1000)
    .required()
    .label('Reason')
    .messages({ 'string.empty': 'Say in a few words why it is left; it goes into the record.' }),
});

const side = (label: string) => Joi.number().min(50).max(3000).required().label(label);

export const tubSchema = Joi.object<Tub>({
  name: Joi.string()
    .trim()
    .max(60)
    .required()
    .label('Name')
    .messages({ 'string.empty': 'Give the sink or tub a name.' }),
  lengthMm: side('Length inside'),
  widthMm: side('Width inside'),
  depthMm: side('Depth inside'),
});

export const pieceSchema = Joi.object<{ pieceId: string }>({ pieceId: id });

/** Spots that are left, without those, by their place in the list, that are no soil. */
export const leftSchema = Joi.object<{ pieceId: string; not: number[] }>({
  pieceId: id,
  not: Joi.array().items(Joi.number().integer().min(0)).max(20).default([]),
});

export const roomSchema = Joi.object<{
  timerId: string;
  temperatureC: number;
  humidityPercent: number;
  air: 'still' | 'moving';
}>({
  timerId: id,
  temperatureC: Joi.number().min(-5).max(50).required().label('Room'),
  humidityPercent: Joi.number().min(0).max(99).required().label('Humidity'),
  air: Joi.string().valid('still', 'moving').required().label('Air'),
});

export const usedSchema = Joi.object<{ restorationId: string; stockId: string; amount: number }>({
  restorationId: id,
  stockId: id.label('Bottle'),
  amount: Joi.number().positive().max(50_000).required().label('Used'),
});
