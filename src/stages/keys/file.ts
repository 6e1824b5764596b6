import { BOARD_FORMAT, BOARD_VERSION, boardFileSchema, boardKeysSchema } from '@/core/keyboard/boardSchema';
import { wiringOf } from '@/core/keyboard/board';
import { isWired, type Board, type BoardKey } from '@/core/keyboard/layout';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { fromCsv, toCsv } from '@/edge/csv';
import type Joi from 'joi';
import parse from 'joi-to-json';

/** A keyboard as its file. */
export const boardFile = ({ name, kind, widthMm, heightMm, keys, lines }: Board): string =>
  JSON.stringify({ format: BOARD_FORMAT, version: BOARD_VERSION, name, kind, widthMm, heightMm, keys, lines }, null, 2);

/** The published JSON Schema of a keyboard, made from the schema that files are checked with. */
export function boardJsonSchema(): Record<string, unknown> {
  const schema = parse(boardFileSchema, 'json-draft-2019-09') as Record<string, unknown>;
  return { $id: 'kvell-keyboard-1', title: 'One keyboard, as Kvell exports it', ...schema };
}

/** The keys of a keyboard as CSV: name, place and size in mm, row and column. */
export const boardCsv = ({ keys }: Pick<Board, 'keys'>): string =>
  toCsv(keys.map(({ id, x, y, w, h, row, column }) => ({ key: id, x, y, w, h, row: row ?? '', column: column ?? '' })));

const FIRST = 4;

function checked<T>(schema: Joi.Schema<T>, given: unknown): T {
  const { value, error } = schema.validate(given, VALIDATE);
  if (!error) return value as T;
  const wrong = fieldErrors(error);
  const more = wrong.length > FIRST ? ` And ${wrong.length - FIRST} more.` : '';
  throw new Refusal(
    'file',
    `${wrong
      .slice(0, FIRST)
      .map(({ field, message }) => `${field}: ${message}`)
      .join(' ')}${more}`,
  );
}

/** Round what a field of keys reaches to, mm. */
const MARGIN_MM = 4;

function fromTable(text: string, name: string): Board {
  const { rows, wrong } = fromCsv(text);
  if (wrong.length > 0) throw new Refusal('file', `This CSV cannot be read: ${wrong.slice(0, FIRST).join('; ')}.`);
  if (rows.length === 0 || !('key' in rows[0]!))
    throw new Refusal(
      'file',
      'The first line of the CSV has to name its columns: key, x, y, w, h, and row and column where they are known.',
    );
  const keys = checked<BoardKey[]>(
    boardKeysSchema,
    rows.map(({ key, row, column, ...rest }) => ({
      ...{ id: key, x: rest.x, y: rest.y, w: rest.w, h: rest.h },
      ...{ row: row || null, column: column || null },
    })),
  );
  const reach = (of: (key: BoardKey) => number) => Math.ceil(Math.max(...keys.map(of)) + MARGIN_MM);
  const lines = (['row', 'column'] as const).flatMap((kind) => {
    const named = [...new Set(keys.map((key) => key[kind]))].filter((id): id is string => id !== null);
    return named.map((id) => ({
      id,
      kind,
      route: keys.filter((key) => key[kind] === id).map((key) => key.id),
      foldAfter: [],
    }));
  });
  return { name, kind: 'foil', widthMm: reach(({ x, w }) => x + w), heightMm: reach(({ y, h }) => y + h), keys, lines };
}

/**
 * A keyboard out of a file, JSON as Kvell writes it or CSV of its keys.
 *
 * @throws Refusal with what is wrong in it
 */
export function boardFromFile(text: string, fileName: string): Board {
  const name = fileName.replace(/\.[^.]*$/, '').slice(0, 60) || 'keyboard';
  if (!/^\s*[{[]/.test(text)) return fromTable(text, name);
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch (failure) {
    throw new Refusal('file', `This file is no JSON: ${(failure as Error).message}. Export the keyboard again.`);
  }
  const { name: own, kind, widthMm, heightMm, keys, lines } = checked(boardFileSchema, given);
  const board: Board = { name: own, kind, widthMm, heightMm, keys, lines };
  // Lines that are there have to fit their keys; a keyboard may come without any.
  if (board.lines.length > 0 && isWired(board))
    wiringOf({
      keys: board.keys.map((key) => ({ id: key.id, row: key.row!, column: key.column! })),
      lines: board.lines,
    });
  return board;
}
