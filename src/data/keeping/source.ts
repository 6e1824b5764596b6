import type { Readable } from 'node:stream';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { contentsSchema, type Contents } from './looked';

export const BACKUP_FORMAT = 'kvell-backup';
/** Version of the layout; the database within has its own. */
export const BACKUP_VERSION = 1;

/** What stands open beside a backup, also where the rest is sealed. */
export interface BackupHead {
  format: typeof BACKUP_FORMAT;
  version: number;
  at: string;
  /** The workshop’s own day. */
  day: string;
  /** What it is sealed for; `null` where it lies open. */
  recipient: string | null;
  database: { bytes: number; sha256: string };
  /** All of it together, as it lies there. */
  bytes: number;
}

const headSchema = Joi.object<BackupHead>({
  format: Joi.string().valid(BACKUP_FORMAT).required(),
  version: Joi.number().valid(BACKUP_VERSION).required(),
  at: Joi.string().isoDate().required(),
  day: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .required(),
  recipient: Joi.string()
    .pattern(/^age1[a-z0-9]{20,200}$/)
    .allow(null)
    .required(),
  database: Joi.object({
    bytes: Joi.number().integer().min(1).required(),
    sha256: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
  }).required(),
  bytes: Joi.number().integer().min(0).required(),
}).label('backup.json');

/** Somewhere that a backup is read from: a ZIP, or a copy in the folder. */
export interface BackupSource {
  head: BackupHead;
  contents: Contents;
  database: () => Promise<Readable>;
  /** @throws Refusal (`file`) where it is not in it */
  photo: (photo: { hash: string; extension: string }) => Promise<Readable>;
}

const again = 'Nothing was changed here; use another backup.';

function read<T>(schema: Joi.Schema<T>, json: Buffer | null, name: string): T {
  if (!json) throw new Refusal('file', `It has no ${name}, so it is no backup of Kvell. ${again}`);
  let given: unknown;
  try {
    given = JSON.parse(json.toString('utf8'));
  } catch {
    throw new Refusal('file', `${name} in it is damaged. ${again}`);
  }
  const { value, error } = schema.validate(given, { ...VALIDATE, convert: false });
  if (!error) return value as T;
  const { field, message } = fieldErrors(error)[0]!;
  throw new Refusal('file', `${name} in it does not say what it has to: ${field}: ${message}. ${again}`);
}

/** @throws Refusal (`file`) for what is no backup, or one of a later Kvell */
export function readHead(json: Buffer | null): BackupHead {
  const text = json?.toString('utf8') ?? '';
  const version = /"version":\s*(\d+)/.exec(text)?.[1];
  if (text.includes(BACKUP_FORMAT) && Number(version) > BACKUP_VERSION)
    throw new Refusal(
      'file',
      `This backup was made by a later Kvell (its version is ${version}, this one reads up to ${BACKUP_VERSION}). Start the newer one, then put it back there.`,
    );
  return read(headSchema, json, 'backup.json');
}

/** @throws Refusal (`file`) for what is no list of contents */
export const readContents = (json: Buffer | null): Contents => read(contentsSchema, json, 'contents.json');
