import sqlite3 from 'sqlite3';
import { Sequelize } from 'sequelize';
import Joi from 'joi';
import { BUSY_TIMEOUT_MS } from '../connection';
import { migrate } from '../migrate';
import { TAKEN_PHOTOS } from '../takenBack';

/** A database file that nobody works in, opened to be looked at. */
export interface LookedAt {
  all: <Row extends object>(query: string) => Promise<Row[]>;
  /** Runs what gives no rows. @throws as the database does */
  run: (statement: string, ...given: string[]) => Promise<void>;
  close: () => Promise<void>;
}

/** Opens a database file beside the one in use. */
export async function lookAt(file: string, how: 'to read' | 'to change' = 'to read'): Promise<LookedAt> {
  const flags = how === 'to read' ? sqlite3.OPEN_READONLY : sqlite3.OPEN_READWRITE;
  const opened = await new Promise<sqlite3.Database>((resolve, reject) => {
    const database = new sqlite3.Database(file, flags, (failure) => (failure ? reject(failure) : resolve(database)));
  });
  opened.configure('busyTimeout', BUSY_TIMEOUT_MS);
  return {
    all: <Row>(query: string) =>
      new Promise<Row[]>((resolve, reject) =>
        opened.all<Row>(query, (failure, rows) => (failure ? reject(failure) : resolve(rows))),
      ),
    run: (statement, ...given) =>
      new Promise((resolve, reject) =>
        opened.run(statement, given, (failure: Error | null) => (failure ? reject(failure) : resolve())),
      ),
    close: () => new Promise((resolve, reject) => opened.close((failure) => (failure ? reject(failure) : resolve()))),
  };
}

/** What is wrong with a database file by its own word; empty where nothing is. */
export async function brokenIn(looked: LookedAt): Promise<string[]> {
  const [sound, relations] = [
    await looked.all<{ integrity_check: string }>('PRAGMA integrity_check(20)'),
    await looked.all<{ table: string; rowid: number; parent: string }>('PRAGMA foreign_key_check'),
  ];
  return [
    ...sound.map(({ integrity_check }) => integrity_check).filter((words) => words !== 'ok'),
    ...relations
      .slice(0, 20)
      .map(({ table, rowid, parent }) => `row ${rowid} of ${table} names a row of ${parent} that is not there`),
  ];
}

/** Everything that a database file is made of, but its rows. */
export const shapeOf = async (looked: Pick<LookedAt, 'all'>): Promise<string[]> =>
  (
    await looked.all<{ type: string; name: string; sql: string | null }>(
      `SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%' ORDER BY type, name`,
    )
  ).map(({ type, name, sql }) => `${type} ${name}: ${(sql ?? '').replace(/\s+/g, ' ')}`);

const shapes = new Map<string, Promise<string[]>>();

/** The shape of an empty workshop, brought forward to one of the migrations. */
export function shapeAt(migration: string): Promise<string[]> {
  let shape = shapes.get(migration);
  if (!shape) {
    shape = (async () => {
      const empty = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
      try {
        await migrate(empty, migration);
        return await shapeOf({ all: async (query) => (await empty.query(query))[0] as never });
      } finally {
        await empty.close();
      }
    })();
    shapes.set(migration, shape);
  }
  return shape;
}

const hash = Joi.string().pattern(/^[0-9a-f]{64}$/);
const extension = Joi.string().valid('jpg', 'png', 'webp');
const count = Joi.number().integer().min(0);

/** What lies in a backup, in the terms of the work. */
export interface Contents {
  workshop: string;
  /** The last migration that it was brought to. */
  migration: string;
  restorations: { id: string; title: string; openedAt: string; closedAt: string | null }[];
  rows: Record<string, number>;
  /** The number of its newest log entry. */
  mark: number;
  photos: { hash: string; extension: string; bytes: number }[];
  /** Photographs whose file was gone already. */
  missing: string[];
}

export const contentsSchema = Joi.object<Contents>({
  workshop: Joi.string().allow('').max(500).required(),
  migration: Joi.string().max(100).required(),
  restorations: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().guid().required(),
        title: Joi.string().allow('').max(500).required(),
        openedAt: Joi.string().isoDate().required(),
        closedAt: Joi.string().isoDate().allow(null).required(),
      }),
    )
    .max(100_000)
    .required(),
  rows: Joi.object().pattern(Joi.string().pattern(/^\w+$/), count).required(),
  mark: count.required(),
  photos: Joi.array()
    .items(Joi.object({ hash: hash.required(), extension: extension.required(), bytes: count.required() }))
    .max(2_000_000)
    .required(),
  missing: Joi.array().items(hash).max(2_000_000).required(),
}).label('contents.json');

/** Photographs that a workshop has, also those that were taken back and can be brought back. */
export const PHOTO_FILES = `SELECT hash, extension, bytes, originalName AS name, restorationId FROM photos
  UNION ALL
  SELECT json_extract(part.value, '$.row.hash'), json_extract(part.value, '$.row.extension'), json_extract(part.value, '$.row.bytes'),
    json_extract(part.value, '$.row.originalName') || ' (taken back)', taken_back.restorationId
  ${TAKEN_PHOTOS}`;

/** What a copy of the database holds; which of its photographs are there, only the folder knows. */
export async function contentsOf(looked: LookedAt): Promise<Omit<Contents, 'missing'>> {
  const tables = (
    await looked.all<{ name: string }>(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name`,
    )
  ).map(({ name }) => name);
  const rows: Record<string, number> = {};
  for (const name of tables)
    rows[name] = (await looked.all<{ n: number }>(`SELECT COUNT(*) AS n FROM "${name}"`))[0]!.n;
  const [[last], [workshop], restorations, [newest], photos] = [
    await looked.all<{ name: string }>('SELECT name FROM migrations ORDER BY name DESC LIMIT 1'),
    await looked.all<{ name: string }>('SELECT name FROM workshop LIMIT 1'),
    await looked.all<Contents['restorations'][number]>(
      'SELECT id, title, openedAt, closedAt FROM restorations ORDER BY openedAt',
    ),
    await looked.all<{ mark: number | null }>('SELECT MAX(id) AS mark FROM log'),
    await looked.all<Contents['photos'][number]>(
      `SELECT hash, extension, MAX(bytes) AS bytes FROM (${PHOTO_FILES}) GROUP BY hash, extension ORDER BY hash`,
    ),
  ];
  return {
    ...{ workshop: workshop?.name ?? '', migration: last?.name ?? '', restorations, rows, photos },
    mark: newest?.mark ?? 0,
  };
}
