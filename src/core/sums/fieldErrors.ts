import type Joi from 'joi';

/** What is wrong with one field, and what would be right. */
export interface FieldError {
  /** Path in the notation of the input: `sessions[0].dose`. */
  field: string;
  message: string;
  /** The limit in the message, in the unit that is kept: a form in other units says it in those. */
  limit?: number;
}

/** A path of Joi as the notation of the input. */
function pathOf(path: readonly (string | number)[]): string {
  return path.reduce<string>((text, part) => (typeof part === 'number' ? `${text}[${part}]` : text === '' ? part : `${text}.${part}`), '');
}

/** Joi's details as field errors. */
export function fieldErrors(error: Joi.ValidationError): FieldError[] {
  return error.details.map(({ path, message, context }) => {
    const limit: unknown = context?.limit;
    return { field: pathOf(path), message, ...(typeof limit === 'number' && { limit }) };
  });
}

/** How every edge validates: all errors at once, messages without quotes round the label. */
export const VALIDATE: Joi.ValidationOptions = { abortEarly: false, errors: { wrap: { label: false } } };
