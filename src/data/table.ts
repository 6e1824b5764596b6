import { randomUUID } from 'node:crypto';
import type { FindOptions, Transaction, WhereOptions } from 'sequelize';
import { Refusal } from '@/core/refusal';
import { database } from './connection';
import type { RowOf } from './rows';
import type { TableName } from './schema';

type Order = FindOptions['order'];

/** All rows that match, as plain data. */
export async function findRows<T extends TableName>(
  table: T,
  where: WhereOptions = {},
  order?: Order,
  transaction?: Transaction,
): Promise<RowOf[T][]> {
  const { tables } = await database();
  const found = await tables[table].findAll({ where, ...(order && { order }), ...(transaction && { transaction }) });
  return found.map((row) => row.get({ plain: true }) as RowOf[T]);
}

/** One row by its id, or `null`. */
export async function findRow<T extends TableName>(table: T, id: string, transaction?: Transaction): Promise<RowOf[T] | null> {
  return (await findRows(table, { id }, undefined, transaction))[0] ?? null;
}

const NOUNS: Partial<Record<TableName, string>> = {
  restorations: 'restoration',
  pieces: 'piece',
  photos: 'photograph',
  measurements: 'measurement',
  findings: 'finding',
  stock: 'bottle',
  treatments: 'treatment',
  sessions: 'session',
  timers: 'timer',
  removal_steps: 'step',
  lots: 'lot',
  connections: 'connection',
  blocks: 'block',
};

/** One row by its id. @throws Refusal where there is none */
export async function needRow<T extends TableName>(table: T, id: string, transaction?: Transaction): Promise<RowOf[T]> {
  const row = await findRow(table, id, transaction);
  if (!row) throw new Refusal('id', `This ${NOUNS[table] ?? table} is not here any more. Go back and choose another.`);
  return row;
}

/** Adds a row; an `id` is made where none is given. */
export async function addRow<T extends TableName>(
  table: T,
  row: Omit<RowOf[T], 'id'> & { id?: string },
  transaction?: Transaction,
): Promise<RowOf[T]> {
  const { tables } = await database();
  const complete = { ...row, id: row.id ?? randomUUID() } as RowOf[T];
  await tables[table].create(complete as never, { ...(transaction && { transaction }) });
  return complete;
}

/** Changes some fields of a row; `where` may name what it must still be, so that two people cannot both win. */
export async function changeRow<T extends TableName>(
  table: T,
  where: WhereOptions,
  changes: Partial<RowOf[T]>,
  transaction?: Transaction,
): Promise<boolean> {
  const { tables } = await database();
  const [count] = await tables[table].update(changes as never, { where, ...(transaction && { transaction }) });
  return count > 0;
}
