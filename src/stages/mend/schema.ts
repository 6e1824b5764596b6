import Joi from 'joi';
import { damageSchema } from '@/core/mending/repair/damageSchema';
import type { Damage } from '@/core/mending/repair/damage';
import { SIZE_KINDS, type SizeKind } from '@/core/mending/marks/sizeKinds';
import { MEND_OUTCOMES, MEND_WAYS, type MendOutcome, type MendWay } from '@/core/mending/repair/ways';
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

const id = Joi.string().max(60).required();

export const partSchema = Joi.object<PartForm>({
  restorationId: id,
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

export const sizeSchema = Joi.object<{
  restorationId: string;
  name: string;
  kind: SizeKind;
  value: number;
  sd: number;
  photoId: string | null;
  barMm: number | null;
}>({
  restorationId: id,
  name: Joi.string()
    .trim()
    .max(MOST.person)
    .required()
    .label('Name')
    .messages({ 'string.empty': 'Say what was measured, like “hole of the left foot”.' }),
  kind: Joi.string()
    .valid(...SIZE_KINDS)
    .required()
    .label('What was measured'),
  value: Joi.number().min(0).max(1e7).required().label('Size'),
  sd: Joi.number().min(0).max(1e7).required().label('Its spread'),
  photoId: Joi.string().max(60).allow(null).default(null),
  barMm: Joi.number().min(80).max(120).unit('mm').allow(null).default(null).label('Length of the printed bar'),
});

export const breakSchema = Joi.object<{ restorationId: string; findingId: string; name: string; damage: Damage }>({
  restorationId: id,
  findingId: id,
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Which place')
    .messages({ 'string.empty': 'Say which place it is, like “left hinge stub”.' }),
  damage: damageSchema.required(),
});

export const beginSchema = Joi.object<{ repairId: string; way: Exclude<MendWay, 'leave'> }>({
  repairId: id,
  way: Joi.string()
    .valid(...MEND_WAYS.filter((way) => way !== 'leave'))
    .required(),
});

export const printerSchema = Joi.object<{
  name: string;
  kg: number | null;
  barMm: number;
  pinMm: number;
  holeMm: number;
}>({
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Printer and filament')
    .messages({ 'string.empty': 'Say which printer and which filament: another filament shrinks otherwise.' }),
  kg: Joi.number().positive().max(MOST.money).allow(null).empty('').default(null).label('A kilogram'),
  barMm: Joi.number().min(50).max(200).unit('mm').required().label('The bar'),
  pinMm: Joi.number().min(5).max(20).unit('mm').required().label('The pin'),
  holeMm: Joi.number().min(5).max(20).unit('mm').required().label('The hole'),
});

export const wantedSchema = Joi.object<{ repairId: string; what: string[] }>({
  repairId: id,
  what: Joi.array().items(Joi.string().trim().max(MOST.name)).min(1).max(10).required().label('What is wanted'),
});

const words = Joi.string().trim().max(MOST.long).allow('').default('').label('Words');

export const leaveSchema = Joi.object<{ repairId: string; words: string }>({ repairId: id, words });

export const stepSchema = Joi.object<{
  repairId: string;
  step: number;
  roomC: number | null;
  cureH: number | null;
}>({
  repairId: id,
  step: Joi.number().integer().min(0).max(40).required(),
  roomC: Joi.number().min(-20).max(60).unit('°C').allow(null).empty('').default(null).label('Warmth of the place'),
  cureH: Joi.number()
    .positive()
    .max(1000)
    .unit('h')
    .allow(null)
    .empty('')
    .default(null)
    .label('Full cure by its sheet'),
});

export const outcomeSchema = Joi.object<{ repairId: string; outcome: MendOutcome; words: string }>({
  repairId: id,
  outcome: Joi.string()
    .valid(...MEND_OUTCOMES)
    .required()
    .label('What came of it'),
  words,
});
