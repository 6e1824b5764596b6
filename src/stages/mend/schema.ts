import Joi from 'joi';
import { FAMILY_NAMES, type FamilyName } from '@/core/mending/part/families';
import { familyOf } from '@/core/mending/part/part';
import { MOST } from '@/core/limits';

export interface PartForm {
  restorationId: string;
  name: string;
  family: FamilyName;
  sizes: Record<string, unknown>;
  photoId: string | null;
}

export const partSchema = Joi.object<PartForm>({
  restorationId: Joi.string().max(60).required(),
  name: Joi.string()
    .trim()
    .max(MOST.person)
    .required()
    .label('Name')
    .messages({ 'string.empty': 'Say what it is, like “left foot” or “slat of the vent”.' }),
  family: Joi.string()
    .valid(...FAMILY_NAMES)
    .required()
    .label('Kind of part'),
  sizes: Joi.when('family', {
    switch: FAMILY_NAMES.map((name) => ({ is: name, then: familyOf(name).schema.required() })),
  }).label('Sizes'),
  photoId: Joi.string().max(60).allow(null).default(null),
});
