import { BaseError, ForeignKeyConstraintError } from 'sequelize';
import { Refusal } from '@/core/refusal';
import type { Table } from './column';
import { TABLES } from './tables';

/**
 * Which fields of a table name rows of which other: what belongs to a restoration names only things of the same one.
 * The database itself holds it (migration 0013), whoever writes; an import is checked against it before anything is kept.
 */
export const RELATIONS: Partial<Record<string, Record<string, string>>> = Object.fromEntries(
  Object.entries(TABLES as Record<string, Table>).flatMap(([name, { columns }]) => {
    const named = Object.entries(columns).flatMap(([field, { names }]) => (names ? [[field, names] as const] : []));
    return named.length > 0 ? [[name, Object.fromEntries(named)]] : [];
  }),
);

/** Whether the database refused a row by one of its own rules. */
export const isAgainstRules = (failure: unknown): boolean =>
  failure instanceof BaseError && /CONSTRAINT/.test(String((failure as { parent?: { code?: unknown } }).parent?.code));

/** An error of the database in words, where somebody can act on it; any other as it is. */
export function asRefusal(failure: unknown): unknown {
  if (failure instanceof ForeignKeyConstraintError)
    return new Refusal('', 'This names something that is not here any more. Load the page again, and choose again.');
  const field = /kvell: joins two restorations \((\w+)\)/.exec(
    (failure as { parent?: Error }).parent?.message ?? '',
  )?.[1];
  if (field === undefined) return failure;
  return new Refusal(
    field,
    'This belongs to another restoration. Choose something of the machine that you work on; load the page again if it shows both.',
  );
}
