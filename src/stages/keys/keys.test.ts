import Ajv from 'ajv/dist/2019';
import { blockOf, guessLines, type Board } from '@/core/keyboard/layout';
import { ownProbes, practiceBoard } from '@/core/keyboard/practice';
import { ownLimitsOf, capsOf, keyboardsOf, keysSeenIn, keyTestsOf, mendedOf, probesOf } from '@/data/keys';
import { findRows } from '@/data/table';
import { wrongs } from '@/edge/wrongs';
import { bringBack } from '@/work/takenBack';
import { takeThingBack } from '@/work/takingBack';
import { keepFunctionTest } from '@/work/tests';
import { keysTried } from '@/work/keys/tests';
import { triedWays } from '@/work/keys/repairs';
import { setOwner } from '@/work/restorations';
import { settleStage } from '@/work/stages';
import { inTrialWorkshop, tick, trialPhoto, trialRestoration } from '@/work/trial';
import {
  alignTheKeys,
  answerRepair,
  joinTheKeys,
  saveLimits,
  splitTheKey,
  answerThePractice,
  drawFromBlock,
  drawFromFile,
  drawFromPhoto,
  finishTest,
  guessTheLines,
  keepMeasure,
  keepReading,
  keepTheCount,
  markThePicture,
  openTestAgain,
  removeKey,
  saveKey,
  saveLine,
  sawKeys,
  sayCaps,
  startDrying,
  startRepair,
  startTest,
} from './actions';
import { boardPdf } from './boardPdf';
import { boardCsv, boardFile, boardFromFile, boardJsonSchema } from './file';
import { bridgesOf, foundOn, patternOf } from './found';
import { oddsWords } from './marks';
import { toMend } from './mending';
import { capCrops } from './capCrops';
import { drawnMap, hasMap, type KeyMap, type Known } from '@/core/keyboard/drawing/maps';
import { boardSvg } from '@/core/keyboard/drawing/svg';
import { BoardScreen } from './BoardView';
import { CapsScreen } from './CapsView';
import { FindScreen } from './FindView';
import { LinesScreen } from './LinesView';
import { MendScreen } from './MendView';
import { TestScreen } from './TestView';
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

it('of two keyboards on a machine, what is chosen on the drawing of one is not chosen on the other', async () => {
  const { restorationId, boardId } = await drawn();
  const pad = await drawFromBlock({ restorationId, ...BLOCK, name: 'pad' });
  if (!pad.ok) throw new Error(wrongs(pad));
  const screens = [
    (board: string) => BoardScreen({ restorationId, board, photo: undefined }),
    (board: string) => CapsScreen({ restorationId, board, photo: undefined }),
    (board: string) => FindScreen({ restorationId, board }),
    (board: string) => LinesScreen({ restorationId, board }),
    (board: string) => MendScreen({ restorationId, board }),
    (board: string) => TestScreen({ restorationId, board }),
  ];
  for (const screen of screens) for (const board of [boardId, pad.value]) expect((await screen(board)).key).toBe(board);
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
  await expect(takeThingBack('keyboard', boardId, tick())).rejects.toThrow('tested, measured or mended');
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

const UNKNOWN: Known = { seen: {}, caps: [], measures: [] };

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
    const svg = boardSvg({ ...board, name: '<b>' }, drawnMap('lines', board, { ...UNKNOWN, seen: { a1: 'dead' } }));
    expect(svg).toContain('&lt;b&gt;');
    expect(svg.match(/<rect/g)).toHaveLength(board.keys.length + 1);
  });

  it('its maps say what is known of lines, caps and springs', () => {
    const [first, second, third] = board.keys.map(({ id }) => id) as [string, string, string];
    const springs = board.keys.map(({ id }) => ({
      key: id,
      what: 'spring force' as const,
      value: id === third ? 90 : 60,
    }));
    const known: Known = {
      seen: { [first]: 'dead' },
      caps: [
        { key: second, state: 'worn legend', isOff: true, stem: 'left' },
        { key: 'gone', state: 'missing', isOff: true, stem: null },
      ],
      measures: springs,
    };
    expect(drawnMap('lines', board, known).words[0]).toBe(`Dead when last tried: ${first}.`);
    const caps = drawnMap('caps', board, known);
    expect(caps.words).toEqual([`Off (↑): ${second}.`, `Worn legend (≈): ${second}.`, `Stem at the left: ${second}.`]);
    expect(boardSvg(board, caps).match(/<circle/g)).toHaveLength(1);
    const forces = drawnMap('springs', board, known);
    expect(forces.keys[third]).toEqual({ tone: 'dark', sign: '×', under: '90 g' });
    expect(forces.words).toContain(`Measures otherwise than the rest (×): ${third}.`);
    expect(boardSvg(board, forces)).toContain('90 g');
    expect(['lines', 'caps', 'springs'].map((map) => hasMap('foil', map as KeyMap))).toEqual([true, true, false]);
  });

  it('its map goes on paper, in letters of any script', async () => {
    const named = {
      ...board,
      name: 'pad ключ',
      keys: board.keys.map((key, i) => (i === 0 ? { ...key, id: 'ж' } : key)),
    };
    const sheet = await boardPdf(
      named,
      drawnMap('lines', { ...named, lines: [] }, { ...UNKNOWN, seen: { ж: 'dead' } }),
      'metric',
    );
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

describe('a drawing put right', () => {
  it('splits, joins and lays in rows; what is known of a key is not joined away', async () => {
    const { restorationId, boardId: keyboardId } = await drawn();
    await guessTheLines(keyboardId);
    expect(wrongs(await splitTheKey({ keyboardId, key: 'a1', second: 'a2' }))).toContain('Two keys are called “a2”');
    expect(wrongs(await splitTheKey({ keyboardId, key: 'a1', second: 'a1 2' }))).toBe('');
    const board = async () => (await boardView(restorationId, keyboardId)).board!;
    expect((await board()).keys.map(({ id }) => id).slice(0, 3)).toEqual(['a1', 'a1 2', 'a2']);
    expect(wrongs(await joinTheKeys({ keyboardId, keys: ['a1'] }))).toContain('two keys or more');
    await sayCaps({ keyboardId, keys: ['a1 2'], isOff: true, unseen: true });
    expect(wrongs(await joinTheKeys({ keyboardId, keys: ['a1', 'a1 2'] }))).toContain('The cap of “a1 2” is off');
    await sayCaps({ keyboardId, keys: ['a1 2'], isOff: false });
    expect(wrongs(await joinTheKeys({ keyboardId, keys: ['a1', 'a1 2'] }))).toBe('');
    expect(wrongs(await joinTheKeys({ keyboardId, keys: ['b1', 'b2'] }))).toBe('');
    const { keys, lines } = await board();
    expect(keys.map(({ id }) => id)).not.toContain('b2');
    expect(lines.find(({ id }) => id === 'R2')!.route).toEqual(['b1', 'b3', 'b4']);
    const { x, w, h } = keys.find(({ id }) => id === 'c3')!;
    await saveKey({ keyboardId, was: 'c3', id: 'c3', x, y: 37, w, h });
    expect(wrongs(await alignTheKeys({ keyboardId, keys: ['c1', 'c2', 'c3', 'c4'] }))).toBe('');
    const row = (await board()).keys.filter(({ id }) => id.startsWith('c'));
    expect(new Set(row.map(({ y }) => y)).size).toBe(1);
  });
});

it('a workshop has its own limits of contacts by kind, and goes back to the usual ones', async () => {
  expect(wrongs(await saveLimits({ kind: 'carbon-pads', passOhms: '800', cleanOhms: '700' }))).toContain('or more');
  expect(wrongs(await saveLimits({ kind: 'carbon-pads', passOhms: '800', cleanOhms: '3000' }))).toBe('');
  expect(wrongs(await saveLimits({ kind: 'carbon-pads', passOhms: '900', cleanOhms: '3000' }))).toBe('');
  const own = await ownLimitsOf('carbon-pads');
  expect(own).toMatchObject({ passOhms: 900, cleanOhms: 3000 });
  expect(await ownLimitsOf('domes')).toBeNull();
  await takeThingBack('contact limits', own!.id, tick());
  expect(await ownLimitsOf('carbon-pads')).toBeNull();
});

describe('caps', () => {
  const CORNERS = [
    [100, 100],
    [900, 110],
    [890, 500],
    [110, 490],
  ];
  const capOf = async (boardId: string, key: string) => (await capsOf(boardId)).caps.find((cap) => cap.key === key);

  it('come off only once a photograph shows where they belong, or knowingly without', async () => {
    const { restorationId, boardId } = await drawn();
    const keyboardId = boardId;
    expect(wrongs(await sayCaps({ keyboardId, keys: ['a1'], isOff: true }))).toContain('No photograph shows');
    const photo = await trialPhoto(restorationId);
    expect(wrongs(await markThePicture({ keyboardId, photoId: photo.id, corners: CORNERS }))).toBe('');
    expect(wrongs(await sayCaps({ keyboardId, keys: ['a1', 'a2'], isOff: true }))).toBe('');
    expect(await capOf(boardId, 'a1')).toMatchObject({ isOff: true, state: 'good' });
    const { boardId: other } = await drawn();
    expect(wrongs(await sayCaps({ keyboardId: other, keys: ['a1'], isOff: true, unseen: true }))).toBe('');
  });

  it('are tapped from two devices, and of one cap the last counts', async () => {
    const { boardId: keyboardId } = await drawn();
    await Promise.all([
      sayCaps({ keyboardId, keys: ['b1'], isOff: true, unseen: true }),
      sayCaps({ keyboardId, keys: ['b1', 'b2'], isOff: true, unseen: true }),
    ]);
    await sayCaps({ keyboardId, keys: ['b1'], state: 'cracked stem' });
    expect((await capsOf(keyboardId)).caps.filter((cap) => cap.key === 'b1')).toEqual([
      expect.objectContaining({ isOff: true, state: 'cracked stem' }),
    ]);
  });

  it('hold the stage while they are off, and counts while they do not add up; what is lost does not', async () => {
    const { restorationId, boardId: keyboardId } = await drawn();
    await sayCaps({ keyboardId, keys: ['a1', 'a2'], isOff: true, unseen: true });
    expect(wrongs(await keepTheCount({ keyboardId, part: 'springs', came: '12', back: '11' }))).toBe('');
    const settle = () => settleStage(restorationId, 'keys', 'done', null, tick());
    await expect(settle()).rejects.toThrow(/2 caps are still off\. main: 1 of springs not back yet/);
    expect(wrongs(await keepTheCount({ keyboardId, part: 'springs', came: '12', back: '13' }))).toContain(
      '13 of springs',
    );
    await sayCaps({ keyboardId, keys: ['a1'], isOff: false });
    await sayCaps({ keyboardId, keys: ['a2'], state: 'missing' });
    await keepTheCount({ keyboardId, part: 'springs', came: '12', back: '11', lost: '1' });
    await settle();
  });

  it('go with a key to its new name, and keep it while they are off', async () => {
    const { boardId: keyboardId } = await drawn();
    await sayCaps({ keyboardId, keys: ['a1'], isOff: true, unseen: true });
    expect(wrongs(await removeKey({ keyboardId, key: 'a1' }))).toContain('The cap of “a1” is off');
    expect(wrongs(await saveKey({ keyboardId, was: 'a1', id: 'esc', x: 5, y: 5, w: 16, h: 16 }))).toBe('');
    expect(await capOf(keyboardId, 'esc')).toMatchObject({ isOff: true });
  });

  it('are pulled above a stem that was seen, and shown as the photograph before shows them', async () => {
    const { restorationId, boardId: keyboardId } = await drawn();
    expect(wrongs(await sayCaps({ keyboardId, keys: ['a1'], stem: 'left' }))).toBe('');
    expect(await capOf(keyboardId, 'a1')).toMatchObject({ isOff: false, state: 'good', stem: 'left' });
    expect(wrongs(await sayCaps({ keyboardId, keys: ['a1'], stem: 'above' }))).toContain('Where its stem stands');
    const photo = await trialPhoto(restorationId);
    const { board } = await boardView(restorationId, keyboardId);
    const { widthMm, heightMm } = board!;
    // A picture of ten pixels a millimetre, from straight above.
    const corners = [
      [0, 0],
      [10 * widthMm, 0],
      [10 * widthMm, 10 * heightMm],
      [0, 10 * heightMm],
    ] as const;
    const picture = { ...{ id: 'x', restorationId, keyboardId, photoId: photo.id, at: '' }, corners: corners as never };
    const { x, y, w, h } = board!.keys.find(({ id }) => id === 'b2')!;
    const round = 0.25 * Math.min(w, h);
    expect(capCrops(board!, ['b2'], picture, [photo])).toEqual({
      b2: {
        photoId: photo.id,
        picture: { width: photo.width, height: photo.height },
        x: expect.closeTo(10 * (x - round), 6),
        y: expect.closeTo(10 * (y - round), 6),
        width: expect.closeTo(10 * (w + 2 * round), 6),
        height: expect.closeTo(10 * (h + 2 * round), 6),
      },
    });
    expect(capCrops(board!, ['b2'], undefined, [photo])).toEqual({});
  });

  it('are lost track of by no key of another board and no photograph of another machine', async () => {
    const { boardId: keyboardId } = await drawn();
    expect(wrongs(await sayCaps({ keyboardId, keys: ['z9'], isOff: true, unseen: true }))).toContain(
      'not on the board',
    );
    const stranger = await trialPhoto((await trialRestoration()).id);
    expect(wrongs(await markThePicture({ keyboardId, photoId: stranger.id, corners: CORNERS }))).toContain(
      'another restoration',
    );
  });
});

it('a keyboard found on its photograph is drawn with names row by row, and keeps its marks', async () => {
  const { id: restorationId } = await trialRestoration();
  const photo = await trialPhoto(restorationId);
  const answered = await drawFromPhoto({
    ...{ restorationId, name: 'main', kind: 'domes', widthMm: 100, heightMm: 50, photoId: photo.id },
    corners: [
      [10, 10],
      [300, 12],
      [298, 150],
      [12, 148],
    ],
    keys: [
      { x: 30, y: 5, w: 16, h: 16 },
      { x: 5, y: 5, w: 16, h: 16 },
      { x: 5, y: 25, w: 60, h: 16 },
    ],
  });
  if (!answered.ok) throw new Error(wrongs(answered));
  const { board } = await boardView(restorationId, answered.value);
  expect(board!.keys.map(({ id, x }) => [id, x])).toEqual([
    ['a1', 5],
    ['a2', 30],
    ['b1', 5],
  ]);
  expect((await capsOf(answered.value)).pictures).toEqual([expect.objectContaining({ photoId: photo.id })]);
  // A photograph that is taken back takes its marks along, and brings them again.
  const taken = await takeThingBack('photograph', photo.id, tick());
  expect((await capsOf(answered.value)).pictures).toEqual([]);
  await bringBack(taken, tick());
  expect((await capsOf(answered.value)).pictures).toHaveLength(1);
});

describe('repairs', () => {
  it('are one at a time, move the odds of their way, and can be taken back', async () => {
    const { restorationId, boardId: keyboardId } = await drawn();
    const form = { keyboardId, way: 'paint', fault: 'line R2 is broken between b2 and b3', keys: ['b3', 'b4'] };
    const begun = await startRepair(form);
    if (!begun.ok) throw new Error(wrongs(begun));
    expect(wrongs(await startRepair({ ...form, way: 'wipe' }))).toContain('begun already');
    await expect(settleStage(restorationId, 'keys', 'done', null, tick())).rejects.toThrow(/not answered yet/);
    expect(wrongs(await startDrying(begun.value))).toBe('');
    expect(await findRows('timers', { restorationId })).toEqual([
      expect.objectContaining({ atTheBell: 'Measure, then test the keys.' }),
    ]);
    expect(wrongs(await answerRepair({ repairId: begun.value, outcome: 'works', ohms: '42' }))).toBe('');
    expect(wrongs(await answerRepair({ repairId: begun.value, outcome: 'worse' }))).toContain('answered already');
    const own = (await triedWays()).filter(({ way }) => way === 'paint');
    expect(own).toContainEqual({ way: 'paint', outcome: 'works' });
    await takeThingBack('key repair', begun.value, tick());
    expect((await triedWays()).filter(({ way }) => way === 'paint')).toHaveLength(own.length - 1);
  });

  it('that need no drying say so', async () => {
    const { boardId: keyboardId } = await drawn();
    const begun = await startRepair({ keyboardId, way: 'abrade', fault: 'the contact of a1 itself', keys: ['a1'] });
    if (!begun.ok) throw new Error(wrongs(begun));
    expect(wrongs(await startDrying(begun.value))).toContain('needs no time to dry');
  });

  it('wait for the owner’s leave where a part is bought for somebody’s machine', async () => {
    const { restorationId, boardId: keyboardId } = await drawn();
    await setOwner(restorationId, 'Elva Morn', { stages: ['keys'], spendMinor: 500, words: '' }, tick());
    const repair = { keyboardId, way: 'new membrane', fault: 'a cracked fold', keys: ['a1'] };
    expect(wrongs(await startRepair(repair))).toContain('Elva Morn');
    expect(wrongs(await startRepair({ ...repair, way: 'reseat' }))).toBe('');
  });

  it('are planned for what was found: paint on the flat of a foil, and whose keys show it', async () => {
    const { restorationId, boardId } = await drawn();
    await guessTheLines(boardId);
    const test = await tested(boardId, { ...ALL, b3: 'dead', b4: 'dead' });
    await finishTest({ testId: test });
    const { board, tests, readings } = await boardView(restorationId, boardId);
    const found = foundOn(board!, tests[0]!.seen, readings)!;
    const [mend] = toMend(found.suspicions[0]!.faults, board!, [], 0, [{ name: 'Membrane', priceMinor: 1200 }]);
    expect(mend!.costs['new membrane']).toEqual({ costMinor: 1200, from: 'Membrane' });
    expect(mend).toMatchObject({ words: 'line R2 is broken between b2 and b3', keys: ['b3', 'b4'] });
    expect(mend!.plans.minutes.order.map(({ way }) => way)).toEqual(['paint', 'new membrane']);
  });
});

it('a part that is measured keeps its figure, an open contact too, and a figure that cannot be is refused', async () => {
  const { boardId: keyboardId } = await drawn();
  expect(wrongs(await keepMeasure({ keyboardId, what: 'pad', key: 'a1', value: '180' }))).toBe('');
  expect(wrongs(await keepMeasure({ keyboardId, what: 'pad', key: 'a2', open: true }))).toBe('');
  expect(wrongs(await keepMeasure({ keyboardId, what: 'pad', key: 'a2', value: '-5' }))).toContain('cannot be below 0');
  expect(wrongs(await keepMeasure({ keyboardId, what: 'dome height', key: 'a2', value: '31' }))).toContain(
    'at most 30 mm',
  );
  expect(wrongs(await keepMeasure({ keyboardId, what: 'pad', key: '', value: '1' }))).toContain('Tap the key');
  const { measures } = await mendedOf(keyboardId);
  expect(measures.map(({ key, value }) => [key, value])).toEqual([
    ['a1', 180],
    ['a2', null],
  ]);
  await expect(takeThingBack('keyboard', keyboardId, tick())).rejects.toThrow(/measured/);
});

it('a test key by key stands in the function test until the machine was tested after it', async () => {
  const { restorationId, boardId } = await drawn();
  expect(await keysTried(restorationId)).toBeNull();
  await finishTest({ testId: await tested(boardId, { ...ALL, c4: 'dead' }) });
  expect(await keysTried(restorationId)).toEqual({ results: { main: 'faulty' }, words: { main: 'dead: c4' } });
  await keepFunctionTest(
    { restorationId, phase: 'before', results: { main: 'faulty' }, words: {}, waivedWhy: null },
    tick(),
  );
  expect(await keysTried(restorationId)).toBeNull();
});

it('a practice board is answered once, and held against our own way', async () => {
  const { hidden } = practiceBoard('plain', 77);
  const form = { grade: 'plain', seed: 77, probes: 9, said: hidden };
  const first = await answerThePractice(form);
  if (!first.ok) throw new Error(wrongs(first));
  expect(first.value).toMatchObject({ rightly: true, probes: 9, ours: ownProbes(practiceBoard('plain', 77)) });
  const again = await answerThePractice({ ...form, said: [{ line: 'R1', segment: 1 }], probes: 1 });
  if (!again.ok) throw new Error(wrongs(again));
  expect(again.value.id).toBe(first.value.id);
  expect(wrongs(await answerThePractice({ ...form, seed: 78, said: [] }))).toContain('tap the two keys');
});

it('keys that answer as two make two joined lines the likeliest, once more than one pair does; the pairs go with the test', async () => {
  const { restorationId, boardId } = await drawn();
  await guessTheLines(boardId);
  const id = await tested(boardId, ALL);
  const end = (together: [string, string][]) => finishTest({ testId: id, together });
  expect(wrongs(await end([['a2', 'b2']]))).toBe('');
  const found = async () => {
    const { board, tests, readings } = await boardView(restorationId, boardId);
    return foundOn(board!, tests[0]!.seen, readings, tests[0]!.together)!;
  };
  expect((await found()).suspicions[0]!.joined).toEqual([]);
  await openTestAgain(id);
  await end([
    ['a2', 'b2'],
    ['b3', 'a3'],
    ['c1', 'gone'],
  ]);
  const [best] = (await found()).suspicions;
  expect(best).toMatchObject({ words: 'lines R1 and R2 are joined', joined: ['R1', 'R2'] });
  await saveKey({ keyboardId: boardId, was: 'a2', id: 'w', x: 24.5, y: 5.5, w: 16, h: 16 });
  expect((await boardView(restorationId, boardId)).tests[0]!.together).toContainEqual(['w', 'b2']);
  const taken = await takeThingBack('key test', id, tick());
  await bringBack(taken, tick());
  expect((await found()).suspicions[0]!.joined).toEqual(['R1', 'R2']);
});

it('keys that share neither row nor column join no lines', () => {
  const { keys } = guessLines(blockOf('grid', 3, 3).keys);
  expect(bridgesOf({ keys }, [['a1', 'b2']])).toEqual([]);
  expect(bridgesOf({ keys }, [['a1', 'a3']])).toEqual([{ lines: ['C1', 'C3'], answered: { a1: ['a3'] } }]);
});
