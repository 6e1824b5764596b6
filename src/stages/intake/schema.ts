import Joi from 'joi';

export interface OpenForm {
  title: string;
  machine: string;
  source: string;
  pricePaid: number;
  condition: string;
}

/** What opens a restoration. */
export const openSchema = Joi.object<OpenForm>({
  title: Joi.string().trim().max(120).required().label('Name'),
  machine: Joi.string().trim().max(200).allow('').default('').label('What it is'),
  source: Joi.string().trim().max(300).allow('').default('').label('Where it came from'),
  pricePaid: Joi.number().min(0).max(1_000_000).empty('').default(0).label('Price paid'),
  condition: Joi.string().trim().max(4000).allow('').default('').label('Condition'),
}).messages({ 'string.empty': '{#label} is empty. Give it a name you will know it by.' });
