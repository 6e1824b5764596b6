import Ajv from 'ajv/dist/2019';
import { blockOf, guessLines, type Board } from '@/core/keyboard/layout';
import { keyboardsOf, keysSeenIn, keyTestsOf, probesOf } from '@/data/keys';
import { wrongs } from '@/edge/wrongs';
import { bringBack } from '@/work/takenBack';
import { takeThingBack } from '@/work/takingBack';
import { inTrialWorkshop, tick, trialRestoration } from '@/work/trial';
import {
  drawFromBlock,
  drawFromFile,
  finishTest,
  guessTheLines,
  keepReading,
  openTestAgain,
  removeKey,
  saveKey,
  saveLine,
  sawKeys,
  startTest,
} from './actions';
import { boardPdf } from './boardPdf';
import { boardCsv, boardFile, boardFromFile, boardJsonSchema } from './file';
import { foundOn, patternOf } from './found';
import { oddsWords } from './marks';
import { boardSvg } from './svg';
import { boardView } from './view';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const BLOCK = { name: 'main', kind: 'domes', block: 'grid', across: '4', down: '3' };

async function drawn(more: object = {}): Promise<{ restorationId: string; boardId: string }> {
  const { id: restorationId } = await trialRestoration();
  const answered = await drawFromBlock({ restorationId, ...BLOCK, ...more });
  if (!answered.ok) throw new Error(wrongs(answered));
  return { restorationId, boardId: answered.value };
}

async function tested(boardId: string, seen: Record<string, string>, phase = 'before'): Promise<string> {
  const begun = await startTest({ keyboardId: boardId, phase });
  if (!begun.ok) throw new Error(wrongs(begun));
  for (const [key, did] of Object.entries(seen)) await sawKeys({ testId: begun.value, keys: [key], seen: did });
  return begun.value;
}

const ALL = Object.fromEntries('abc'.split('').flatMap((row) => [1, 2, 3, 4].map((n) => [`${row}${n}`, 'works'])));

it('from a drawn block over its test and its lines to the broken stretch, and back to all works', async () => {
  const { restorationId, boardId } = await drawn();
  const before = await tested(boardId, { ...ALL, b3: 'dead', b4: 'dead' });
  expect(wrongs(await finishTest({ testId: before }))).toBe('');
  let view = await boardView(restorationId, undefined);
  expect(foundOn(view.board!, view.tests[0]!.seen, view.readings)).toBeNull();
  expect(patternOf(view.board!, view.tests[0]!.seen)).toContain('row 2 of the drawing');
  expect(wrongs(await guessTheLines(boardId))).toBe('');
  view = await boardView(restorationId, boardId);
  const found = foundOn(view.board!, view.tests[0]!.seen, view.readings)!;
  expect(found.suspicions[0]!.words).toBe('line R2 is broken between b2 and b3');
  expect(found.suspicions[0]!.opens).toEqual([{ line: 'R2', at: 3 }]);
  const { probe } = found;
  expect(
    wrongs(await keepReading({ keyboardId: boardId, line: probe!.line, from: probe!.from, to: probe!.to, open: true })),
  ).toBe('');
  view = await boardView(restorationId, boardId);
  expect(view.readings).toHaveLength(1);
  expect(foundOn(view.board!, view.tests[0]!.seen, view.readings)!.suspicions[0]!.percent).toBeGreaterThan(
    found.suspicions[0]!.percent,
  );
  // Mended and tried again: what was measured before counts no more.
  const after = await tested(boardId, ALL, 'before closing');
  await finishTest({ testId: after });
  view = await boardView(restorationId, boardId);
  expect([view.readings.length, view.earlier.length]).toEqual([0, 1]);
  expect(foundOn(view.board!, view.tests[0]!.seen, view.readings)!.suspicions[0]!.words).toContain('nothing');
});

it('two devices tap into one test, a tap is taken back, and an ended test can be opened again', async () => {
  const { boardId } = await drawn();
  const one = await tested(boardId, { a1: 'works' });
  const two = await tested(boardId, { a1: 'dead', a2: 'stuck' });
  expect(two).toBe(one);
  await sawKeys({ testId: one, keys: ['a2'], seen: 'unknown' });
  expect((await keysSeenIn([one])).map(({ key, seen }) => [key, seen])).toEqual([['a1', 'dead']]);
  await finishTest({ testId: one });
  expect(wrongs(await sawKeys({ testId: one, keys: ['a3'], seen: 'works' }))).toContain('was ended');
  expect(wrongs(await openTestAgain(one))).toBe('');
  expect(wrongs(await sawKeys({ testId: one, keys: ['a3'], seen: 'works' }))).toBe('');
  expect(wrongs(await sawKeys({ testId: one, keys: ['z9'], seen: 'works' }))).toContain('not on the board');
  const empty = await startTest({ keyboardId: (await drawn({ name: 'pad' })).boardId, phase: 'before' });
  expect(wrongs(await finishTest({ testId: empty.ok ? empty.value : '' }))).toContain('Nothing was pressed');
});

it('a key under another name keeps its lines, what it did and what was measured; one that was tested is not dropped', async () => {
  const { restorationId, boardId } = await drawn();
  await guessTheLines(boardId);
  const test = await tested(boardId, { a1: 'dead' });
  await keepReading({ keyboardId: boardId, line: 'R1', from: 'connector', to: 'a1', ohms: '120' });
  const key = (await keyboardsOf(restorationId))[0]!.keys.find(({ id }) => id === 'a1')!;
  const { x, y, w, h } = key;
  expect(wrongs(await saveKey({ keyboardId: boardId, was: 'a1', id: 'shift', x, y, w, h }))).toBe('');
  const { board, readings } = await boardView(restorationId, boardId);
  expect(board!.lines.find(({ id }) => id === 'R1')!.route[0]).toBe('shift');
  expect(readings[0]!.to).toBe('shift');
  expect((await keysSeenIn([test]))[0]!.key).toBe('shift');
  expect(wrongs(await removeKey({ keyboardId: boardId, key: 'shift' }))).toContain('reading was taken');
  expect(wrongs(await saveKey({ keyboardId: boardId, was: '', id: 'a2', x: 1, y: 1, w: 2, h: 2 }))).toContain(
    'called “a2”',
  );
  expect(wrongs(await saveKey({ keyboardId: boardId, was: 'gone', id: 'q', x, y, w, h }))).toContain(
    'not on the board any more',
  );
  expect(wrongs(await removeKey({ keyboardId: boardId, key: 'b4' }))).toBe('');
  expect((await keyboardsOf(restorationId))[0]!.lines.flatMap(({ route }) => route)).not.toContain('b4');
});

it('lines and readings that cannot be are refused with words', async () => {
  const { boardId } = await drawn();
  await guessTheLines(boardId);
  const reading = (more: object) =>
    keepReading({ keyboardId: boardId, line: 'R1', from: 'connector', to: 'a2', ...more });
  expect(wrongs(await reading({ ohms: '-5' }))).toContain('cannot be below 0');
  expect(wrongs(await reading({ ohms: '1e10' }))).toContain('more than any meter shows');
  expect(wrongs(await reading({}))).toContain('tap “Open”');
  expect(wrongs(await reading({ ohms: 'much' }))).toContain('what the meter shows');
  expect(wrongs(await reading({ ohms: '5', to: 'b1' }))).toContain('not on line');
  expect(wrongs(await reading({ ohms: '5', to: 'connector' }))).toContain('two different places');
  expect(wrongs(await reading({ ohms: '5', line: 'R9' }))).toContain('not on the board');
  const line = (more: object) =>
    saveLine({ keyboardId: boardId, id: 'R1', kind: 'row', route: ['a1'], foldAfter: [], ...more });
  expect(wrongs(await line({ route: ['nobody'] }))).toContain('no such key');
  expect(wrongs(await line({ id: 'C1' }))).toContain('is a column already');
  expect(wrongs(await line({ id: '' }))).toContain('Give the line a name');
  expect(wrongs(await line({ route: ['a2', 'a1'] }))).toBe('');
});

it('a keyboard, its test and its readings are taken back one after the other, and brought back', async () => {
  const { restorationId, boardId } = await drawn();
  await guessTheLines(boardId);
  const test = await tested(boardId, { a1: 'dead' });
  await keepReading({ keyboardId: boardId, line: 'R1', from: 'connector', to: 'a1', open: true });
  await expect(takeThingBack('keyboard', boardId, tick())).rejects.toThrow('tested or measured');
  const [probe] = await probesOf(boardId);
  await takeThingBack('reading', probe!.id, tick());
  const taken = await takeThingBack('key test', test, tick());
  expect(await keyTestsOf(boardId)).toEqual([]);
  await bringBack(taken, tick());
  expect((await keysSeenIn([test])).map(({ key }) => key)).toEqual(['a1']);
  await takeThingBack('key test', test, tick());
  await takeThingBack('keyboard', boardId, tick());
  expect(await keyboardsOf(restorationId)).toEqual([]);
  const again = await drawFromBlock({ restorationId, ...BLOCK });
  expect(again.ok).toBe(true);
  expect(wrongs(await drawFromBlock({ restorationId, ...BLOCK }))).toContain('already');
  expect(wrongs(await drawFromBlock({ restorationId, ...BLOCK, name: ' ' }))).toContain('Say which keyboard');
});

it('odds are said as people say them, and never as sure where they are not', () => {
  expect([0.99, 0.965, 0.9, 0.5, 0.49, 0.16, 0.035, 0.01].map(oddsWords)).toEqual([
    ...['nearly sure', '9 in 10', '9 in 10', '5 in 10', '1 in 2', '1 in 6', '1 in 29', 'hardly'],
  ]);
});

describe('files', () => {
  const block = blockOf('staggered', 6, 4);
  const board: Board = { ...block, name: 'pad', kind: 'switches', ...guessLines(block.keys) };

  it('follows its published schema', () => {
    const check = new Ajv({ strict: false }).compile(boardJsonSchema());
    expect({ valid: check(JSON.parse(boardFile(board))), errors: check.errors }).toEqual({ valid: true, errors: null });
    expect(check({ ...board, keys: 'none' })).toBe(false);
  });

  it('JSON comes back as it went out, CSV with its keys and lines', () => {
    expect(boardFromFile(boardFile(board), 'x.json')).toEqual(board);
    const back = boardFromFile(boardCsv(board), 'my pad.csv');
    expect(back).toMatchObject({ name: 'my pad', keys: board.keys });
    expect(back.lines.map(({ id, route }) => [id, [...route].sort()])).toEqual(
      board.lines.map(({ id, route }) => [id, [...route].sort()]),
    );
    const svg = boardSvg({ ...board, name: '<b>' }, { a1: 'dead' });
    expect(svg).toContain('&lt;b&gt;');
    expect(svg.match(/<rect/g)).toHaveLength(board.keys.length + 1);
  });

  it('its map goes on paper, in letters of any script', async () => {
    const named = {
      ...board,
      name: 'pad ключ',
      keys: board.keys.map((key, i) => (i === 0 ? { ...key, id: 'ж' } : key)),
    };
    const sheet = await boardPdf({ ...named, lines: [] }, { ж: 'dead' }, 'metric');
    expect(Buffer.from(sheet).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it.each([
    ['', 'empty'],
    ['{', 'no JSON'],
    ['{"format":"else"}', 'no keyboard of Kvell'],
    [boardFile(board).replace('"version": 1', '"version": 7'), 'another version'],
    [boardFile({ ...board, keys: [] }), 'at least one key'],
    ['a,b\n1,2', 'name its columns'],
    ['key,x,y,w,h\na,1,2,much,4', 'not a number'],
    [boardFile(board).replace('"a1",\n', '"ghost",\n'), 'no such key'],
  ])('what is none is refused with words: %#', async (text, words) => {
    const { id: restorationId } = await trialRestoration();
    expect(wrongs(await drawFromFile({ restorationId, name: 'x', text }))).toContain(words);
    expect(await keyboardsOf(restorationId)).toEqual([]);
  });
});
