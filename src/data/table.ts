import { randomUUID } from 'node:crypto';
import { DataTypes, QueryTypes, type AbstractDataType, type FindOptions, type WhereOptions } from 'sequelize';
import { Refusal } from '@/core/refusal';
import { database, transactionUnderWay } from './connection';
import { asRefusal } from './relations';
import { TABLES, type RowOf, type TableName } from './tables';
import type { Table } from './column';

type Order = FindOptions['order'];

/** Every query runs in the transaction that its caller runs in. */
function within(): { transaction?: NonNullable<ReturnType<typeof transactionUnderWay>> } {
  const transaction = transactionUnderWay();
  return transaction ? { transaction } : {};
}

/** How SQLite's own values become those of the columns that it has no kind for. */
const READ_BACK: readonly [kind: string, read: (held: never) => unknown][] = [
  [new DataTypes.JSON().key, (held: string) => JSON.parse(held)],
  [new DataTypes.BOOLEAN().key, (held: number) => held !== 0],
];
const readers = new Map<TableName, [column: string, read: (held: never) => unknown][]>();

/** The columns of a table whose values are not held as they are, each with its reading. */
function readersOf(table: TableName): [string, (held: never) => unknown][] {
  const known = readers.get(table);
  if (known) return known;
  const found = Object.entries((TABLES[table] as Table).columns).flatMap(([name, { attribute }]) => {
    const kind = new (attribute.type as new () => AbstractDataType)().key;
    return READ_BACK.filter(([of]) => of === kind).map(([, read]): [string, (held: never) => unknown] => [name, read]);
  });
  readers.set(table, found);
  return found;
}

/**
 * Rows as they lie in the database, each value as its column says. Sequelize would make a model of every row first, only to
 * be asked for its plain values again: most of the time that a page of many rows takes.
 */
async function readRows(table: TableName, options: FindOptions): Promise<Record<string, unknown>[]> {
  const { tables } = await database();
  const rows = (await tables[table].findAll({ ...options, raw: true, ...within() })) as unknown as Record<
    string,
    unknown
  >[];
  const known = readersOf(table);
  for (const row of rows) for (const [name, read] of known) if (row[name] != null) row[name] = read(row[name] as never);
  return rows;
}

/** All rows that match, or the first so many, as plain data. */
export async function findRows<T extends TableName>(
  table: T,
  where: WhereOptions = {},
  order?: Order,
  limit?: number,
): Promise<RowOf[T][]> {
  return (await readRows(table, {
    where,
    ...(order && { order }),
    ...(limit !== undefined && { limit }),
  })) as RowOf[T][];
}

/** Of all rows that match only some columns: what a list shows, without what is large. */
export async function findColumns<T extends TableName, C extends keyof RowOf[T] & string>(
  table: T,
  columns: readonly C[],
  where: WhereOptions = {},
  order?: Order,
  limit?: number,
): Promise<Pick<RowOf[T], C>[]> {
  return (await readRows(table, {
    attributes: [...columns],
    where,
    ...(order && { order }),
    ...(limit !== undefined && { limit }),
  })) as Pick<RowOf[T], C>[];
}

/** How many rows match. */
export async function countRows(table: TableName, where: WhereOptions = {}): Promise<number> {
  const { tables } = await database();
  return tables[table].count({ where, ...within() });
}

/** What a query answers: for sums and windows that the database does better than we. Values go in by name, never into the text. */
export async function select<Row extends object>(
  query: string,
  replacements: Record<string, unknown> = {},
): Promise<Row[]> {
  const { sequelize } = await database();
  return sequelize.query<Row>(query, { type: QueryTypes.SELECT, replacements, ...within() });
}

/** Which table names rows of which other, as the database itself holds it. */
export const foreignKeys = (): Promise<{ of: string; names: string }[]> =>
  select(
    `SELECT held.name AS of, key."table" AS names FROM sqlite_master AS held, pragma_foreign_key_list(held.name) AS key
      WHERE held.type = 'table'`,
  );

/** Words as they stand in a LIKE with the escape sign \\: a per cent sign that somebody typed is one. */
export const likeWords = (words: string): string => words.replace(/[\\%_]/g, '\\$&');

/** One row by its id, or `null`. */
export async function findRow<T extends TableName>(table: T, id: string): Promise<RowOf[T] | null> {
  return (await findRows(table, { id }))[0] ?? null;
}

/** One row by its id. @throws Refusal where there is none */
export async function needRow<T extends TableName>(table: T, id: string): Promise<RowOf[T]> {
  const row = await findRow(table, id);
  const { noun = table }: Table = TABLES[table];
  if (!row) throw new Refusal('id', `This ${noun} is not here any more. Go back and choose another.`);
  return row;
}

/** What the database refuses, in words. */
const inWords = (failure: unknown): never => {
  throw asRefusal(failure);
};

/** Until the transaction under way ends, a row may name one that comes later in it. */
export async function deferRelations(): Promise<void> {
  const { sequelize } = await database();
  await sequelize.query('PRAGMA defer_foreign_keys = ON', within());
}

/** Adds a row; an `id` is made where none is given. */
export async function addRow<T extends TableName>(
  table: T,
  row: Omit<RowOf[T], 'id'> & { id?: string },
): Promise<RowOf[T]> {
  const { tables } = await database();
  const complete = { ...row, id: row.id ?? randomUUID() } as RowOf[T];
  await tables[table].create(complete as never, within()).catch(inWords);
  return complete;
}

/** So many rows go into the database at once. */
const AT_ONCE = 500;

/** Adds many rows, each with its id. */
export async function addRows<T extends TableName>(table: T, rows: readonly RowOf[T][]): Promise<void> {
  const { tables } = await database();
  for (let i = 0; i < rows.length; i += AT_ONCE)
    await tables[table].bulkCreate(rows.slice(i, i + AT_ONCE) as never, within()).catch(inWords);
}

/** Adds a row that the database numbers. @returns its number */
export async function addNumbered(table: 'log', row: Omit<RowOf['log'], 'id'>): Promise<number> {
  const { tables } = await database();
  const added = await tables[table].create(row as never, within()).catch(inWords);
  return added.get('id') as number;
}

/** Changes some fields of a row; `where` may name what it must still be, so that two people cannot both win. */
export async function changeRow<T extends TableName>(
  table: T,
  where: WhereOptions,
  changes: Partial<RowOf[T]>,
): Promise<boolean> {
  const { tables } = await database();
  const [count] = await tables[table].update(changes as never, { where, ...within() }).catch(inWords);
  return count > 0;
}

/** Takes rows away. Only what the log tells of may go. @returns how many */
export async function removeRows(table: TableName, where: WhereOptions): Promise<number> {
  const { tables } = await database();
  return tables[table].destroy({ where, ...within() });
}
