import Joi from 'joi';
import { railsTyped } from '@/core/intake/rails';
import { LAST_RUNS, POLARITIES, SUPPLY_KINDS, type PowerFacts } from '@/core/intake/firstPower';
import { MOST } from '@/core/limits';
import type { Provenance } from '@/work/restorations';

const provenance = {
  title: Joi.string().trim().max(MOST.title).required().label('Name'),
  machine: Joi.string().trim().max(MOST.machine).allow('').default('').label('What it is'),
  source: Joi.string().trim().max(MOST.source).allow('').default('').label('Where it came from'),
  claim: Joi.string().trim().max(MOST.few).allow('').default('').label('What was claimed'),
  packing: Joi.string().trim().max(MOST.few).allow('').default('').label('How it was packed'),
  condition: Joi.string().trim().max(MOST.long).allow('').default('').label('Condition'),
};
const NAMELESS = { 'string.empty': '{#label} is empty. Give it a name you will know it by.' };

/** What opens a restoration. */
export const openSchema = Joi.object<Provenance & { pricePaid: number }>({
  ...provenance,
  pricePaid: Joi.number().min(0).max(MOST.money).empty('').default(0).label('Price paid'),
}).messages(NAMELESS);

/** What is known of the machine, corrected. */
export const provenanceSchema = Joi.object<Provenance & { restorationId: string }>({
  restorationId: Joi.string().required(),
  ...provenance,
}).messages(NAMELESS);

const VOLTS = '{#label}: write 9, or with their pins 1: 5; 2: 12; 3: −12.';
const volts = (label: string) =>
  Joi.string()
    .trim()
    .max(200)
    .allow('')
    .default([])
    .custom((typed: string, { error }) => railsTyped(typed) ?? error('any.invalid'))
    .label(label)
    .messages({ 'any.invalid': VOLTS });
const yes = (label: string) => Joi.boolean().truthy('yes').falsy('no').required().label(label);
const polarity = (label: string) =>
  Joi.string()
    .valid(...POLARITIES)
    .required()
    .label(label);

/** What is known before the first power. */
export const powerSchema = Joi.object<PowerFacts & { restorationId: string }>({
  restorationId: Joi.string().required(),
  lastRun: Joi.string()
    .valid(...LAST_RUNS)
    .required()
    .label('When it last ran'),
  longStored: yes('Stored for long'),
  supply: Joi.string()
    .valid(...SUPPLY_KINDS)
    .required()
    .label('Supply'),
  labelVolts: volts('Voltage on the label'),
  labelPolarity: polarity('Polarity on the label'),
  atHandVolts: volts('Voltage of the supply at hand'),
  atHandPolarity: polarity('Polarity of the supply at hand'),
  leaked: yes('Something leaked'),
  burntSmell: yes('Burnt smell'),
  batteryLeaked: yes('A battery leaked'),
  tubeInside: yes('Picture tube or mains part inside'),
  supplyChecked: yes('Supply checked'),
});
