import Joi from 'joi';
import { STAGES } from '@/core/runsheet/stages';
import { MOST } from '@/core/limits';

/** Where on the run sheet something belongs. */
export const stagePlace = {
  restorationId: Joi.string().required(),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
};

/** A description that must not be empty. */
export const someWords = (label: string) =>
  Joi.string()
    .trim()
    .max(MOST.long)
    .required()
    .label(label)
    .messages({ 'string.empty': '{#label} is empty. Write a few words.' });
