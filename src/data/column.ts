import Joi from 'joi';
import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize';
import { MOST } from '@/core/limits';
import { STAGES, type Stage } from '@/core/runsheet/stages';

/**
 * One column: how the database keeps it, and what an imported record may bring in it. Times are ISO 8601 text in UTC,
 * money minor units, lengths mm, masses g, volumes mL.
 */
export interface Column<T> {
  readonly attribute: ModelAttributeColumnOptions;
  readonly schema: Joi.Schema;
  /** The table whose rows it names, within one restoration. */
  readonly names?: string;
  /** It may well name a row of another machine, or of none. */
  readonly across?: true;
  /** What it holds; a type alone, never a value. */
  readonly holds: T;
}

const column = <T>(
  type: ModelAttributeColumnOptions['type'],
  schema: Joi.Schema,
  more: Partial<ModelAttributeColumnOptions> = {},
): Column<T> => ({
  attribute: { type, allowNull: false, ...more },
  schema: schema.required(),
  holds: undefined as T,
});

/** The same column where its values are of a narrower kind than can be said here. */
export const holding = <T>(of: Column<unknown>): Column<T> => of as Column<T>;

/** The same column where nothing may stand as well. */
export const orNull = <T>(of: Column<T>): Column<T | null> => ({
  ...of,
  attribute: { ...of.attribute, allowNull: true },
  schema: of.schema.allow(null),
});

const guid = Joi.string().guid();
export const id = column<string>(DataTypes.STRING, guid, { primaryKey: true });
/** Id of what a workshop added itself. */
export const ownId = column<`own-${string}`>(DataTypes.STRING, Joi.string().pattern(/^own-[0-9a-f-]{36}$/), {
  primaryKey: true,
});
export const number = column<number>(DataTypes.INTEGER, Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER), {
  primaryKey: true,
  autoIncrement: true,
});
export const ofRestoration = column<string>(DataTypes.TEXT, guid);
/** Id of a row of another table, of the same restoration. */
export const naming = (table: string): Column<string> => ({ ...column<string>(DataTypes.TEXT, guid), names: table });
/** Id of a row of any machine, or of none: what lies in one tub, and what stands in the stores. */
export const namingAcross: Column<string> = { ...column<string>(DataTypes.TEXT, guid), across: true };

/** Words that Kvell put together from what was typed. */
export const TOLD = 2 * MOST.long;
/** Words of at most so many letters; they may be empty. */
export const text = (most: number = TOLD): Column<string> => column(DataTypes.TEXT, Joi.string().max(most).allow(''));
export const textOrNull = orNull(text());
/** Words that must not be empty. */
export const title = (most: number): Column<string> => column(DataTypes.TEXT, Joi.string().min(1).max(most));
export const matching = (pattern: RegExp): Column<string> => column(DataTypes.TEXT, Joi.string().pattern(pattern));
/** One of a kind. */
export const choice = <const T extends string>(values: readonly T[]): Column<T> =>
  column(DataTypes.TEXT, Joi.string().valid(...values));
export const stage: Column<Stage> = choice(STAGES);

/** As Kvell writes a time: UTC, and within what its own sums reach. */
export const instant = Joi.string()
  .pattern(/^(19[7-9]\d|2[01]\d\d)-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}Z$/)
  .messages({ 'string.pattern.base': '{#label} is not a time. Times look like 2026-06-21T14:00:00.000Z.' });
export const time = column<string>(DataTypes.TEXT, instant);
export const timeOrNull = orNull(time);

/** Any number between two. */
export const real = (least: number, most: number): Column<number> =>
  column(DataTypes.DOUBLE, Joi.number().min(least).max(most));
/** Any number above nothing. */
export const above0 = (most: number): Column<number> => column(DataTypes.DOUBLE, Joi.number().positive().max(most));
/** Whole numbers between two. */
export const whole = (least: number, most: number): Column<number> =>
  column(DataTypes.INTEGER, Joi.number().integer().min(least).max(most));
/** Minor units; a correction may be below nothing. A currency has at most three decimals. */
export const minor = whole(-1000 * MOST.money, 1000 * MOST.money);
export const flag = column<boolean>(DataTypes.BOOLEAN, Joi.boolean());
/** Whatever has a shape of its own. */
export const json = <T>(schema: Joi.Schema): Column<T> => column(DataTypes.JSON, schema);
/** One of a kind whose ids a workshop can add to. */
export const known = <T extends string>(schema: Joi.Schema): Column<T> => column(DataTypes.TEXT, schema);

export type Columns = Readonly<Record<string, Column<unknown>>>;

/** A table: its columns, and how it goes along with an exported restoration, if it does. */
export interface Table {
  readonly columns: Columns;
  /** What one row of it is called, where somebody reads that it is gone. */
  readonly noun?: string;
  readonly exported?: {
    /** Its part of the record. */
    readonly as: string;
    /** Version of the record that had it first. */
    readonly since: number;
    /** Order in which its rows are read. */
    readonly by: string;
  };
}

/** A table as it was written down, with the types of its columns. */
export const table = <const T extends Table>(definition: T): T => definition;

/** A row of a table as the rest of the house sees it: plain data, never a model instance. */
export type Row<T extends Table> = { -readonly [K in keyof T['columns']]: T['columns'][K]['holds'] };
