import type { SumField } from '@/core/sums/fields';
import { withPoint } from '@/core/units';

type Object_ = Record<string, unknown>;

const objectOf = (value: unknown): Object_ =>
  value !== null && typeof value === 'object' && !Array.isArray(value) ? (value as Object_) : {};
const rowsOf = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

function typedField(field: SumField, value: unknown): unknown {
  switch (field.kind) {
    case 'group':
      return typedOf(field.fields, objectOf(value));
    case 'list':
      return rowsOf(value).map((row) => typedOf(field.fields, objectOf(row)));
    case 'tuple':
      return field.items.map((_, i) => textOf(rowsOf(value)[i]));
    case 'lines':
      return rowsOf(value).map(textOf).join('\n');
    case 'pairs':
      return rowsOf(value)
        .map((pair) => rowsOf(pair).map(textOf).join(', '))
        .join('\n');
    case 'map':
      return Object.entries(objectOf(value))
        .map(([name, one]) => `${name}: ${textOf(one)}`)
        .join('\n');
    default:
      return textOf(value);
  }
}

/** A sum’s input as its form holds it: what is typed stays text until it is sent, so that half a number is not lost. */
export const typedOf = (fields: readonly SumField[], input: Object_): Object_ =>
  Object.fromEntries(fields.map((field) => [field.name, typedField(field, input[field.name])]));

const numberOf = (typed: unknown): unknown => {
  const number = Number(withPoint(textOf(typed)));
  return Number.isNaN(number) ? typed : number;
};

/** `name: value` a line; a line without a colon is a name whose value is missing, and is said so. */
const mapOf = (text: string): Object_ =>
  Object.fromEntries(
    text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '')
      .map((line) => {
        const at = line.lastIndexOf(':');
        return at < 0 ? [line, ''] : [line.slice(0, at).trim(), line.slice(at + 1).trim()];
      }),
  );

/** What is sent of one field; `undefined` where nothing is typed. */
function sentField(field: SumField, typed: unknown): unknown {
  switch (field.kind) {
    case 'group':
      return sentOf(field.fields, objectOf(typed));
    case 'list':
      return rowsOf(typed).map((row) => sentOf(field.fields, objectOf(row)));
    case 'tuple': {
      const parts = rowsOf(typed);
      return parts.every((part) => textOf(part) === '') ? undefined : parts.map(numberOf);
    }
    case 'lines':
      return textOf(typed) === '' ? [] : textOf(typed).split('\n');
    case 'pairs':
      // No pair typed is not none at all: it is left to the sum what that means.
      if (textOf(typed).trim() === '') return undefined;
      return textOf(typed)
        .split('\n')
        .filter((line) => line.trim() !== '')
        .map((line) => line.split(/\s*[,;]\s*/).map(numberOf));
    case 'map': {
      const named = mapOf(textOf(typed));
      if (!field.numbers) return named;
      return Object.fromEntries(
        Object.entries(named).map(([name, value]) => [name, value === '' ? value : numberOf(value)]),
      );
    }
    case 'number':
      return textOf(typed).trim() === '' ? undefined : numberOf(typed);
    default:
      return textOf(typed) === '' ? undefined : typed;
  }
}

/** What a form holds as the sum’s input: numbers where they are numbers, nothing where nothing is typed. */
export const sentOf = (fields: readonly SumField[], typed: Object_): Object_ =>
  Object.fromEntries(
    fields.flatMap((field) => {
      const sent = sentField(field, typed[field.name]);
      return sent === undefined ? [] : [[field.name, sent]];
    }),
  );

/** A path of the input, `sessions[0].dose`, as the form names its field. */
export const nameAt = (path: string): string => path.replace(/\[(\d+)\]/g, '.$1');
