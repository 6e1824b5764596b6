import Joi from 'joi';
import { isTimeZone } from '@/core/runsheet/time';

/** A time zone that the clock here knows. */
export const timeZoneSchema = Joi.string()
  .required()
  .label('Time zone')
  .custom((value: string, helpers) => (isTimeZone(value) ? value : helpers.error('zone')))
  .messages({ zone: 'This time zone is not known. Write it like Europe/Stockholm.' });

/** A currency by its three letters. */
export const currencySchema = Joi.string()
  .trim()
  .uppercase()
  .pattern(/^[A-Z]{3}$/)
  .required()
  .label('Currency')
  .messages({ 'string.pattern.base': 'Write the currency as three letters, like SEK, EUR or USD.' });
