import { AsyncLocalStorage } from 'node:async_hooks';
import { chmod, mkdir } from 'node:fs/promises';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { Sequelize, Transaction, type Model, type ModelAttributes, type ModelStatic } from 'sequelize';
import type { Columns } from './column';
import { dataFolder } from './folder';
import { finishSwap } from './keeping/swap';
import { migrate } from './migrate';
import { sweepHalfWritten } from './photos/sweep';
import { TABLES, type TableName } from './tables';

/** So long one waits for another who writes. */
export const BUSY_TIMEOUT_MS = 5000;
/** Whoever was given the database has asked it by then. */
const IN_HAND_MS = 250;

type Tables = Record<TableName, ModelStatic<Model>>;

export interface Database {
  sequelize: Sequelize;
  tables: Tables;
}

/** Sequelize writes into the column definitions it is given; each table needs its own. */
const attributesOf = (columns: Columns): ModelAttributes =>
  Object.fromEntries(Object.entries(columns).map(([name, { attribute }]) => [name, { ...attribute }]));

type Answered = (failure: Error | null, rows: unknown[]) => void;

/** What this file needs of a connection of SQLite. */
interface Connection {
  configure: (option: 'busyTimeout', ms: number) => void;
  all: (sql: string, ...given: unknown[]) => unknown;
}

/** Sequelize asks for the columns of a table before each query of it: a second query for each. They stay as they are. */
function rememberColumns(connection: Connection, columns: Map<string, unknown[]>, lasts: () => boolean): void {
  const all = connection.all.bind(connection);
  connection.all = (sql, ...given) => {
    if (!sql.startsWith('PRAGMA table_info(')) return all(sql, ...given);
    const answered = given[given.length - 1] as Answered;
    const known = columns.get(sql);
    if (known) return answered(null, known);
    return all(sql, (failure: Error | null, rows: unknown[]) => {
      if (!failure && lasts()) columns.set(sql, rows);
      answered(failure, rows);
    });
  };
}

/** Opens the database of a folder, migrated, with foreign keys, write-ahead log and a busy timeout. */
async function openDatabase(folder: string): Promise<Database> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  // What is kept is for whoever keeps it, also where the folder was made by an earlier version.
  await chmod(folder, 0o700);
  // A backup that was being put back when the plug was pulled.
  await finishSwap(folder);
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: path.join(folder, 'kvell.sqlite'),
    logging: () => {
      kept.queries += 1;
      if (process.env.KVELL_TELL_QUERIES) process.stderr.write('query\n');
    },
    // The busy timeout waits already: nobody waits for it five times over.
    retry: { max: 1 },
    define: { timestamps: false, freezeTableName: true },
    // A transaction that reads first and writes later could not be made to wait; this one waits at its start.
    transactionType: Transaction.TYPES.IMMEDIATE,
  });
  // Each transaction of Sequelize opens a connection of its own, and no hook tells of it.
  const manager = sequelize.connectionManager as unknown as {
    getConnection: (options?: unknown) => Promise<Connection>;
  };
  const connect = manager.getConnection.bind(manager);
  const columns = new Map<string, unknown[]>();
  let migrated = false;
  const seen = new WeakSet<Connection>();
  manager.getConnection = async (options) => {
    const connection = await connect(options);
    // Once for each: while it answers a long query, whoever would set it up again holds everybody up until that is done.
    if (seen.has(connection)) return connection;
    seen.add(connection);
    connection.configure('busyTimeout', BUSY_TIMEOUT_MS);
    rememberColumns(connection, columns, () => migrated);
    return connection;
  };
  await sequelize.query('PRAGMA journal_mode = WAL');
  // SQLite gives its other files the mode of the first.
  await chmod(path.join(folder, 'kvell.sqlite'), 0o600);
  await migrate(sequelize);
  migrated = true;
  const tables = Object.fromEntries(
    Object.entries(TABLES).map(([name, { columns }]) => [name, sequelize.define(name, attributesOf(columns))]),
  ) as Tables;
  await sweepHalfWritten(folder, async (hash) => (await tables.photos.count({ where: { hash } })) > 0);
  return { sequelize, tables };
}

interface Kept {
  /** One database a folder. */
  databases: Map<string, Promise<Database>>;
  /** The last change that was asked for; the next waits for it. */
  lastChange: Promise<unknown>;
  /** Queries so far: what a page asks is a figure that tests and benchmarks look at. */
  queries: number;
  /** The transaction that runs, and in which database, for all that is called within it. */
  underWay: AsyncLocalStorage<{ transaction: Transaction; within: Database }>;
  /** What reads in connections of its own. */
  readings: Set<Promise<unknown>>;
}

// Kept beside the modules: the built application holds several copies of this file, and the development
// server loads it again and again.
const kept = ((globalThis as { kvell?: Kept }).kvell ??= {
  databases: new Map(),
  lastChange: Promise.resolve(),
  queries: 0,
  underWay: new AsyncLocalStorage(),
  readings: new Set(),
});

/** The database of the workshop's own folder; within a transaction that of the transaction, whatever took its place since. */
export function database(): Promise<Database> {
  const underWay = kept.underWay.getStore();
  if (underWay) return Promise.resolve(underWay.within);
  const folder = dataFolder();
  let found = kept.databases.get(folder);
  if (!found) {
    found = openDatabase(folder);
    kept.databases.set(folder, found);
    found.catch(() => kept.databases.delete(folder));
  }
  return found;
}

/** Closes the database of the workshop's folder, for tests and scripts. */
export async function closeDatabase(): Promise<void> {
  const folder = dataFolder();
  await kept.lastChange.catch(() => {});
  await Promise.allSettled(kept.readings);
  await (await kept.databases.get(folder))?.sequelize.close();
  kept.databases.delete(folder);
}

/**
 * Closes the database, lets `work` put another file in its place, and opens what lies there then. Changes wait before and
 * after; whoever only reads meanwhile waits for what comes.
 */
export async function whileClosed<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = dataFolder();
  const change = kept.lastChange
    .catch(() => {})
    .then(async () => {
      const { sequelize } = await database();
      // Who asks from here on waits; who has it in hand asks within the moment.
      const worked = pause(IN_HAND_MS)
        // The last connection to a file takes its log away by name: by then another file would have that name.
        .then(() => Promise.allSettled(kept.readings))
        .then(() => sequelize.close())
        .then(() => work(folder));
      const opened = worked.catch(() => {}).then(() => openDatabase(folder));
      kept.databases.set(folder, opened);
      opened.catch(() => kept.databases.delete(folder));
      await opened;
      return worked;
    });
  kept.lastChange = change;
  return change;
}

/** Queries that this process asked so far. */
export const queriesSoFar = (): number => kept.queries;

/** The transaction that the caller runs in; every query of the house joins it. */
export const transactionUnderWay = (): Transaction | undefined => kept.underWay.getStore()?.transaction;

/**
 * Carries out several changes as one: all or none. Within another it joins that one. Changes go one after the other:
 * SQLite lets one write at a time, and those that wait inside it would hold the very threads that the writing one needs.
 */
export async function inTransaction<T>(work: () => Promise<T>): Promise<T> {
  if (transactionUnderWay()) return work();
  const change = kept.lastChange
    .catch(() => {})
    .then(async () => {
      // Asked for when its turn has come: a change before it may have put another file in the database’s place.
      const within = await database();
      return within.sequelize.transaction((transaction) => kept.underWay.run({ transaction, within }, work));
    });
  kept.lastChange = change;
  return change;
}

/**
 * Reads much as it is at one instant, in a connection of its own: no other query waits for it, nor it for a change. Nothing
 * can be changed within it.
 */
export async function atOneInstant<T>(work: () => Promise<T>): Promise<T> {
  if (transactionUnderWay()) return work();
  const within = await database();
  const { sequelize } = within;
  const reading = sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, async (transaction) => {
    await sequelize.query('PRAGMA query_only = ON', { transaction });
    return kept.underWay.run({ transaction, within }, work);
  });
  kept.readings.add(reading);
  return reading.finally(() => kept.readings.delete(reading));
}
