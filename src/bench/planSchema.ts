import Joi from 'joi';
import { MOST } from '@/core/limits';
import { fromLocalField } from '@/core/runsheet/time';
import { PLACES, type PlaceName } from '@/core/schedule/facts/facts';
import { COULD_NOT, RUN_OUTCOMES, type CouldNot, type RunOutcome } from '@/core/schedule/runs';

const task = Joi.string().max(300).required().label('Task');
const minutes = (label: string) => Joi.number().integer().min(1).max(MOST.plannedMin).required().label(label);

export const taskSchema = Joi.object<{ task: string }>({ task });

export const endSchema = Joi.object<{ task: string; outcome: RunOutcome; why: CouldNot | null; putOffMin: number }>({
  task,
  outcome: Joi.string()
    .valid(...RUN_OUTCOMES)
    .required(),
  why: Joi.string()
    .valid(...COULD_NOT)
    .allow(null)
    .default(null),
  putOffMin: Joi.number().integer().min(0).max(MOST.plannedMin).default(60),
});

/** A moment as a field of the device gives it, or as an instant. */
export const pinSchema = Joi.object<{ task: string; startAt: string }>({
  task,
  startAt: Joi.string().isoDate().required().label('Begins').messages({
    'string.isoDate': 'Give a day and a time, like 21 June 2026, 10:00.',
    'string.empty': 'Give a day and a time.',
  }),
});

export const lengthSchema = Joi.object<{ task: string; minutes: number }>({ task, minutes: minutes('Takes') });
export const giveSchema = Joi.object<{ task: string; personId: string }>({
  task,
  personId: Joi.string().max(60).allow('').required().label('Who'),
});

export const ownSchema = Joi.object<{
  what: string;
  minutes: number;
  restorationId: string;
  hands: boolean;
  place: PlaceName | '';
  after: string;
}>({
  what: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What')
    .messages({ 'string.empty': 'Say what is to be done.' }),
  minutes: minutes('Takes'),
  restorationId: Joi.string().max(60).allow('').default('').label('For'),
  hands: Joi.boolean().default(true).label('Hands are at it all the time'),
  place: Joi.string()
    .valid('', ...PLACES)
    .default('')
    .label('Takes up'),
  after: Joi.string().max(300).allow('').default('').label('After'),
});

export const wishSchema = Joi.object<{ restorationId: string; wantedAt: string; weight: number }>({
  restorationId: Joi.string().max(60).required(),
  wantedAt: Joi.string()
    .pattern(/^\d{4}-\d\d-\d\d$/)
    .allow('')
    .default('')
    .label('Wanted by')
    .messages({ 'string.pattern.base': 'Give a day, or nothing where there is no hurry.' }),
  weight: Joi.number().min(0.1).max(10).default(1).label('How much it counts'),
});

/** The end of a day in the workshop’s zone. */
export const endOfDay = (day: string, timeZone: string): Date | null => {
  const at = fromLocalField(`${day}T23:59`, timeZone);
  return at === null ? null : new Date(at);
};
