import type Joi from 'joi';

/** What is wrong with one field, and what would be right. */
export interface FieldError {
  /** Path in the notation of the input: `sessions[0].dose`. */
  field: string;
  message: string;
  /** The limit in the message, in the unit that is kept: a form in other units says it in those. */
  limit?: number;
  /** What stands there by now, where somebody else changed it meanwhile. */
  stands?: unknown;
}

/** A path of Joi as the notation of the input. */
function pathOf(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text === '' ? part : `${text}.${part}`),
    '',
  );
}

/** Joi's details as field errors. */
export function fieldErrors(error: Joi.ValidationError): FieldError[] {
  return error.details.map(({ path, message, context }) => {
    const limit: unknown = context?.limit;
    return { field: pathOf(path), message, ...(typeof limit === 'number' && { limit }) };
  });
}

/** What is wrong and what would be right, for every kind of error: no words of the library reach a person. */
const MESSAGES: Record<string, string> = {
  'any.required': '{#label} is missing. Fill it in.',
  'any.only': '{#label} is none of these: {#valids}. Choose one of them.',
  'any.invalid': '{#label} cannot be this. Give another.',
  'any.unknown': '{#label} is not asked for here. Leave it out.',
  'object.unknown': '{#label} is not asked for here. Leave it out.',
  'object.base': '{#label} is not whole. Load the page again, and send it once more.',
  'object.and': '{#label} is not whole. Give all of it.',
  'object.missing': '{#label} is not whole. Give all of it.',
  'object.pattern.match': '{#label} has a name that is too long or empty. Shorten it.',
  'alternatives.match': '{#label} is not in a form that Kvell knows. Look at the example.',
  'alternatives.types': '{#label} is not in a form that Kvell knows. Look at the example.',
  'array.base': '{#label} is not a list. Load the page again, and send it once more.',
  'array.min': '{#label} needs {#limit} at least.',
  'array.max': '{#label} takes {#limit} at most.',
  'array.length': '{#label} needs exactly {#limit}.',
  'array.unique': '{#label} is there twice. Take one of them away.',
  'array.includes': '{#label} is not in a form that Kvell knows.',
  'array.includesRequiredUnknowns': '{#label} is not whole. Give all of it.',
  'array.orderedLength': '{#label} takes {#limit} at most.',
  'boolean.base': '{#label} is either yes or no. Choose one.',
  'number.base': '{#label} is not a number. Write figures, like 12.5.',
  'number.infinity': '{#label} is not a number that can be counted with. Write figures, like 12.5.',
  'number.unsafe': '{#label} is too large to be counted with. Write a smaller number.',
  'number.integer': '{#label} is a whole number. Leave out what is behind the point.',
  'number.positive': '{#label} must be more than 0.',
  'number.min': '{#label} must be at least {#limit}.',
  'number.max': '{#label} must be at most {#limit}.',
  'number.greater': '{#label} must be more than {#limit}.',
  'number.less': '{#label} must be less than {#limit}.',
  'string.base': '{#label} is not text. Write it in words.',
  'string.empty': '{#label} is empty. Fill it in.',
  'string.min': '{#label} needs at least {#limit} characters.',
  'string.max': '{#label} takes at most {#limit} characters. Shorten it.',
  'string.length': '{#label} takes exactly {#limit} characters.',
  'string.pattern.base': '{#label} is not written as it should be. Look at the example.',
  'string.isoDate': '{#label} is not a date and time. Write it like 2026-06-21T14:00.',
  'string.trim': '{#label} has spaces around it. Remove them.',
  'any.ref': '{#label} cannot be held against the one before it. Give that first.',
  'any.custom': '{#label} cannot be this. Give another.',
  'date.format': '{#label} is not a date and time. Write it like 2026-06-21T14:00.',
  'date.base': '{#label} is not a date. Write it like 2026-06-21.',
};

/** How every edge validates: all errors at once, in words of our own, without quotes round the label. */
export const VALIDATE: Joi.ValidationOptions = {
  abortEarly: false,
  errors: { wrap: { label: false, array: false } },
  messages: MESSAGES,
};
