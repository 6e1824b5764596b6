import { segmentsBefore, type Line } from '@/core/keyboard/board';
import type { Reading } from '@/core/keyboard/evidence';
import { checkLayout, guessLines, lineAlong, type Board, type BoardKey } from '@/core/keyboard/layout';
import { KIND } from '@/core/keyboard/kinds';
import { alignRow, joinKeys, splitKey } from '@/core/keyboard/redraw';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { KeyboardRow } from '@/data/rows';
import { addRow, changeRow, countRows, findRows, needRow, removeRows } from '@/data/table';

const told = (restorationId: string, words: string, data: unknown = null) =>
  ({ restorationId, stage: 'keys', kind: 'keyboard', words, data }) as const;

/** A keyboard as it is drawn, from a block or from a file. */
export async function addKeyboard(restorationId: string, board: Board, now: Date): Promise<string> {
  checkLayout(board);
  return inTransaction(async () => {
    const same = await findRows('keyboards', { restorationId, name: board.name });
    if (same.length > 0)
      throw new Refusal('name', `There is a keyboard called “${board.name}” already. Give this one another name.`);
    const { name, kind, widthMm, heightMm, keys, lines } = board;
    const { id } = await addRow('keyboards', {
      ...{ restorationId, name, kind, widthMm, heightMm, keys: [...keys], lines: [...lines], codes: {} },
      addedAt: now.toISOString(),
    });
    const words = `Keyboard drawn: ${name}, ${keys.length === 1 ? 'one key' : `${keys.length} keys`}; ${KIND[kind].title.toLowerCase()}.`;
    await appendLog(told(restorationId, words), now);
    return id;
  });
}

type Drawn = Pick<KeyboardRow, 'keys' | 'lines'>;

async function redraw(
  keyboardId: string,
  change: (board: KeyboardRow) => Drawn,
  words: (board: KeyboardRow) => string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const next = change(board);
    checkLayout({ ...board, ...next });
    await changeRow('keyboards', { id: keyboardId }, next);
    await appendLog(told(board.restorationId, words(board), { before: { keys: board.keys, lines: board.lines } }), now);
  });
}

const renamed = (line: Line, from: string, to: string): Line => {
  const as = (key: string) => (key === from ? to : key);
  return { ...line, route: line.route.map(as), foldAfter: line.foldAfter.map(as) };
};

/**
 * A key that is drawn otherwise, or anew where nothing stood under that name. Under another name it keeps its lines, what
 * it did and what was measured at it.
 */
export async function drawKey(
  keyboardId: string,
  was: string | null,
  key: Pick<BoardKey, 'id' | 'x' | 'y' | 'w' | 'h'>,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    await redraw(
      keyboardId,
      ({ keys, lines }) => {
        if (was === null) return { keys: [...keys, { ...key, row: null, column: null }], lines };
        if (!keys.some(({ id }) => id === was))
          throw new Refusal('id', `The key “${was}” is not on the board any more. Load the page again.`);
        return {
          keys: keys.map((one) => (one.id === was ? { ...one, ...key } : one)),
          lines: lines.map((line) => renamed(line, was, key.id)),
        };
      },
      ({ name }) => (was === null ? `${name}: key ${key.id} added.` : `${name}: key ${was} drawn anew as ${key.id}.`),
      now,
    );
    if (was === null || was === key.id) return;
    const { codes } = await needRow('keyboards', keyboardId);
    const learnt = Object.entries(codes).map(([code, of]) => [code, of === was ? key.id : of] as const);
    await changeRow('keyboards', { id: keyboardId }, { codes: Object.fromEntries(learnt) });
    const tests = await findRows('key_tests', { keyboardId });
    await changeRow('keys_seen', { testId: tests.map(({ id }) => id), key: was }, { key: key.id });
    for (const end of ['pressed', 'also'] as const)
      await changeRow('keys_together', { testId: tests.map(({ id }) => id), [end]: was }, { [end]: key.id });
    for (const table of ['caps', 'key_measures'] as const)
      await changeRow(table, { keyboardId, key: was }, { key: key.id });
    for (const { id, keys } of await findRows('key_repairs', { keyboardId }))
      if (keys.includes(was))
        await changeRow('key_repairs', { id }, { keys: keys.map((one) => (one === was ? key.id : one)) });
    for (const end of ['fromPlace', 'toPlace'] as const)
      await changeRow('probes', { keyboardId, [end]: was }, { [end]: key.id });
  });
}

/** Lets a key go of which nothing is known but its drawing. What it did in a test stays in the log. */
async function letGo(keyboardId: string, key: string): Promise<void> {
  const measured =
    (await countRows('probes', { keyboardId, fromPlace: key })) +
    (await countRows('probes', { keyboardId, toPlace: key }));
  if (measured > 0)
    throw new Refusal(
      'id',
      `A reading was taken at “${key}”. Take that reading back first, or give the key another name.`,
    );
  const tests = await findRows('key_tests', { keyboardId });
  if ((await countRows('keys_seen', { testId: tests.map(({ id }) => id), key })) > 0)
    throw new Refusal('id', `“${key}” was tested. Take it out of the test first, or give it another name.`);
  if ((await countRows('caps', { keyboardId, key, isOff: true })) > 0)
    throw new Refusal('id', `The cap of “${key}” is off. Put it back on first, or give the key another name.`);
  if ((await countRows('key_measures', { keyboardId, key })) > 0)
    throw new Refusal('id', `A part of “${key}” was measured. Take that back first, or give the key another name.`);
  await removeRows('caps', { keyboardId, key });
}

/** Lines along keys that are left. */
const without = (lines: readonly Line[], gone: readonly string[]): Line[] =>
  lines
    .map((line) => ({
      ...line,
      route: line.route.filter((one) => !gone.includes(one)),
      foldAfter: line.foldAfter.filter((one) => !gone.includes(one)),
    }))
    .filter(({ route }) => route.length > 0);

/** A key that is none. */
export async function dropKey(keyboardId: string, key: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    await letGo(keyboardId, key);
    await redraw(
      keyboardId,
      ({ keys, lines }) => ({ keys: keys.filter(({ id }) => id !== key), lines: without(lines, [key]) }),
      ({ name }) => `${name}: key ${key} taken away.`,
      now,
    );
  });
}

/** A key that is two. */
export const halveKey = (keyboardId: string, key: string, second: string, now: Date): Promise<void> =>
  redraw(
    keyboardId,
    ({ keys, lines }) => ({ keys: splitKey(keys, key, second), lines }),
    ({ name }) => `${name}: key ${key} split in two, ${key} and ${second}.`,
    now,
  );

/** Keys that are one. The first keeps its name; of the others nothing but their drawing may be known. */
export async function makeOne(keyboardId: string, together: readonly string[], now: Date): Promise<void> {
  const [first, ...others] = together;
  await inTransaction(async () => {
    for (const key of others) await letGo(keyboardId, key);
    await redraw(
      keyboardId,
      ({ keys, lines }) => ({ keys: joinKeys(keys, together), lines: without(lines, others) }),
      ({ name }) => `${name}: ${together.join(', ')} are one key, ${first}.`,
      now,
    );
  });
}

/** Keys that stand in one row. */
export const layInRow = (keyboardId: string, row: readonly string[], now: Date): Promise<void> =>
  redraw(
    keyboardId,
    ({ keys, lines }) => ({ keys: alignRow(keys, row), lines }),
    ({ name }) => `${name}: ${row.join(', ')} laid in one row.`,
    now,
  );

/** Lines guessed from where the keys stand. */
export const guessBoard = (keyboardId: string, now: Date): Promise<void> =>
  redraw(
    keyboardId,
    ({ keys }) => guessLines(keys),
    ({ name }) => `${name}: lines guessed from where its keys stand.`,
    now,
  );

/** A line along its keys, as it was looked up or traced. An empty one is taken away. */
export const layLine = (keyboardId: string, line: Line, now: Date): Promise<void> =>
  redraw(
    keyboardId,
    (board) => {
      const other = board.lines.find(({ id, kind }) => id === line.id && kind !== line.kind);
      if (other)
        throw new Refusal('id', `“${line.id}” is a ${other.kind} already. Give the ${line.kind} another name.`);
      const { keys, lines } = lineAlong(board, line);
      return { keys: [...keys], lines: [...lines] };
    },
    ({ name }) =>
      line.route.length === 0
        ? `${name}: line ${line.id} taken away.`
        : `${name}: ${line.kind} ${line.id} along ${line.route.join(', ')}.`,
    now,
  );

/** Which event belongs to which key, learnt by pressing each once. */
export async function learnCodes(keyboardId: string, codes: Record<string, string>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const stray = Object.values(codes).find((key) => !board.keys.some(({ id }) => id === key));
    if (stray !== undefined)
      throw new Refusal('codes', `The key “${stray}” is not on the board any more. Load the page again.`);
    await changeRow('keyboards', { id: keyboardId }, { codes });
    const count = Object.keys(codes).length;
    await appendLog(
      told(board.restorationId, `${board.name}: the events of ${count === 1 ? 'one key' : `${count} keys`} are known.`),
      now,
    );
  });
}

/** A reading between two places of a line. */
export async function addReading(keyboardId: string, { line: id, from, to, ohms }: Reading, now: Date): Promise<void> {
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const line = board.lines.find((one) => one.id === id);
    if (!line) throw new Refusal('line', `The line “${id}” is not on the board any more. Load the page again.`);
    for (const [field, place] of [
      ['from', from],
      ['to', to],
    ] as const)
      if (segmentsBefore(line, place) === null) throw new Refusal(field, `“${place}” is not on line “${id}”.`);
    if (from === to) throw new Refusal('to', 'Put the tips on two different places.');
    await addRow('probes', {
      ...{ restorationId: board.restorationId, keyboardId, line: id, fromPlace: from, toPlace: to, ohms },
      at: now.toISOString(),
    });
    const shown = ohms === null ? 'open' : `${ohms} Ω`;
    await appendLog(told(board.restorationId, `${board.name}: line ${id}, ${from} to ${to}: ${shown}.`), now);
  });
}
