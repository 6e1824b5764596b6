import { blockOf, namedInRows } from '@/core/keyboard/layout';
import { diagnose, oddsOf } from '@/core/keyboard/diagnosis';
import type { Reading } from '@/core/keyboard/evidence';
import { heard, NOTHING_HEARD } from '@/core/keyboard/live';
import { findKeys } from '@/core/keyboard/photo/findKeys';
import { meterShows } from '@/core/keyboard/practice';
import { faultWords } from '@/core/keyboard/words';
import type { Corners } from '@/core/picture/corners';
import type { TestPhase } from '@/core/runsheet/functionTest';
import { decodePicture } from '@/data/photos/decode';
import { needRow } from '@/data/table';
import { cableCode, KeyboardCable } from '@/simulators/keyboardCable';
import { CAPS_ON, homeKeyboard, keyboardScene, type CapsOff } from '@/simulators/camera/keyboards';
import { LIGHTS } from '@/simulators/camera/shot';
import { addKeyboard, addReading, drawKey, guessBoard, layLine } from '../src/work/keys/boards';
import { drawFromPicture, keepCount, markPicture, setCaps } from '../src/work/keys/caps';
import { beginRepair, endRepair } from '../src/work/keys/repairs';
import { beginTest, endTest, seeKeys } from '../src/work/keys/tests';
import { askOwner } from '../src/work/owner';
import { setOwner } from '../src/work/restorations';
import { photograph } from './photographs';

/** The end of the lower row, as it was found at intake. */
const DEAD = ['d11', 'd12', 'd13'];
/** Two caps that were put back in each other’s place. */
const SWAPPED: CapsOff = { ...CAPS_ON, swapped: [['t', 'h']] };

const round = (mm: number) => Math.max(0, Math.round(10 * mm) / 10);

/**
 * A keyboard with three dead keys at the end of a row: drawn from its photograph, its caps off and on again, two of them
 * swapped, one with a stub of its stem; tested on a cable, its lines laid, the plug cleaned in vain, the break found with
 * a few readings, bridged with paint and tried again.
 */
export async function brimselKeys(restorationId: string, tested: Date, measured: Date): Promise<void> {
  const minute = (n: number) => new Date(tested.getTime() + n * 60_000);
  const layout = homeKeyboard(29);
  const { widthMm, heightMm } = layout;
  const shoot = (name: string, takenAt: Date, caps: CapsOff, shot: { tilt: number; seed: number }) =>
    photograph({
      ...{ restorationId, stage: 'keys', pieceId: null, name, takenAt },
      scene: keyboardScene(layout, { caps, tilt: shot.tilt, seed: 3 }),
      shot: { light: LIGHTS['north window'], ...shot },
    });
  const before = await shoot('brimsel-keys-before', tested, CAPS_ON, { tilt: 0.2, seed: 41 });
  const cornersOf = ({ spec }: Awaited<ReturnType<typeof shoot>>) =>
    spec.regions[0]!.polygon.map(([x, y]) => [Math.round(x), Math.round(y)]) as unknown as Corners;
  const found = findKeys(await decodePicture(before.bytes), cornersOf(before), widthMm, heightMm);
  const keys = namedInRows(found.map(({ x, y, w, h }) => ({ x: round(x), y: round(y), w: round(w), h: round(h) })));
  const id = await drawFromPicture(
    restorationId,
    { name: 'main keyboard', kind: 'domes', widthMm, heightMm, keys, lines: [] },
    { photoId: before.photo.id, corners: cornersOf(before) },
    minute(2),
  );
  await guessBoard(id, minute(3));
  await tryOnCable(id, 'before', { dead: DEAD, seed: 7 }, minute(4));
  const all = keys.map((key) => key.id);
  await setCaps(id, all, { isOff: true }, false, minute(30));
  await setCaps(id, ['d1'], { state: 'stub in the cap' }, false, minute(31));
  await setCaps(id, ['b12'], { state: 'worn legend' }, false, minute(32));
  const out = { came: 58, cleaned: 58, lost: 0, donor: 0 };
  await keepCount(id, { part: 'caps', ...out, back: 57 }, measured);
  await setCaps(
    id,
    all.filter((key) => key !== 'd1'),
    { isOff: false },
    false,
    measured,
  );
  const after = await shoot('brimsel-keys-after', measured, SWAPPED, { tilt: 0.45, seed: 43 });
  await markPicture(id, after.photo.id, cornersOf(after), measured);
  const plug = await beginRepair(
    id,
    { way: 'reseat', fault: 'three dead keys of one row', keys: DEAD, ohmsBefore: null },
    measured,
  );
  await endRepair(
    plug,
    'no better',
    { before: null, after: null },
    'tail wiped and put back, no change',
    later(measured, 20),
  );
  const broken = await findBreak(id, later(measured, 25));
  const bridge = await beginRepair(id, { way: 'paint', ...broken, keys: DEAD, ohmsBefore: null }, later(measured, 40));
  await endRepair(
    bridge,
    'works',
    { before: null, after: 46 },
    'scraped bare on both sides, two coats, tape over it',
    later(measured, 180),
  );
  await tryOnCable(id, 'before closing', { dead: [], seed: 11 }, later(measured, 185));
}

const later = (from: Date, minutes: number) => new Date(from.getTime() + minutes * 60_000);

/** Every key pressed on a cable that is not there; one that says nothing is pressed once more. */
async function tryOnCable(
  keyboardId: string,
  phase: TestPhase,
  { dead, seed }: { dead: readonly string[]; seed: number },
  from: Date,
): Promise<void> {
  const { keys } = await needRow('keyboards', keyboardId);
  const matrix = keys.map(({ id, row, column }) => ({ id, row: row!, column: column! }));
  const cable = new KeyboardCable(matrix, { dead, stuck: [], bouncing: [], bridged: null }, seed);
  let [atMs, told] = [0, NOTHING_HEARD];
  const press = (id: string) => {
    for (const event of cable.press(id, (atMs += 600))) told = heard(told, event);
    return told.answered.includes(cableCode(id));
  };
  const works = keys.map(({ id }) => id).filter((id) => press(id) || press(id));
  const test = await beginTest(keyboardId, phase, from);
  const silent = keys.map(({ id }) => id).filter((id) => !works.includes(id));
  await seeKeys(test, works, 'works', later(from, 3));
  if (silent.length > 0) await seeKeys(test, silent, 'dead', later(from, 3));
  await endTest(test, '', [], later(from, 4));
}

/** A row that is broken before the first of its dead keys, measured with a meter that is not there until it is as good as sure. */
async function findBreak(keyboardId: string, from: Date): Promise<{ fault: string }> {
  const board = await needRow('keyboards', keyboardId);
  const row = board.lines.find(({ kind, route }) => kind === 'row' && route.includes(DEAD[0]!))!;
  const hidden = [{ line: row.id, segment: row.route.indexOf(DEAD[0]!) + 1 }];
  const readings: Reading[] = [];
  for (;;) {
    const found = diagnose({
      keys: board.keys.map(({ id, row: r, column }) => ({ id, row: r!, column: column! })),
      lines: board.lines,
      observations: Object.fromEntries(board.keys.map(({ id }) => [id, DEAD.includes(id) ? 'dead' : 'works'] as const)),
      readings,
    });
    const [fault] = found.hypotheses[0]!.faults;
    const { nextProbe: probe } = found;
    if (!probe || readings.length === 6 || (fault && oddsOf(fault, found) > 0.998))
      return { fault: faultWords(fault!) };
    const { line, from: at, to } = probe;
    const ohms = meterShows(
      { board, hidden, grade: 'plain', seed: 5, seen: {} },
      { line, from: at, to },
      readings.length,
    );
    readings.push({ line, from: at, to, ohms });
    await addReading(keyboardId, readings.at(-1)!, later(from, 3 * readings.length));
  }
}

/** A foil keyboard whose tail is cracked at its fold: a new one is asked for, since paint would not hold there. */
export async function orvaneKeys(restorationId: string, tested: Date): Promise<void> {
  const block = blockOf('grid', 10, 5);
  const id = await addKeyboard(restorationId, { name: 'foil keyboard', kind: 'foil', ...block, lines: [] }, tested);
  await guessBoard(id, tested);
  const row = block.keys.map((key) => key.id).filter((key) => key.startsWith('c'));
  await layLine(id, { id: 'R3', kind: 'row', route: row, foldAfter: ['connector'] }, tested);
  const { x, y, w, h } = block.keys.find((key) => key.id === 'e10')!;
  await drawKey(id, 'e10', { id: 'enter', x, y, w, h }, tested);
  const test = await beginTest(id, 'before', tested);
  const works = [...block.keys.map((key) => key.id).filter((key) => !row.includes(key) && key !== 'e10'), 'enter'];
  await seeKeys(test, works, 'works', tested);
  await seeKeys(test, row, 'dead', tested);
  await endTest(test, '', [], new Date(tested.getTime() + 15 * 60_000));
  await setOwner(
    restorationId,
    'Bram Ostrel',
    {
      stages: ['wash', 'brighten', 'keys', 'mend', 'rebuild'],
      spendMinor: 1000,
      words: 'Do what it needs. Ask before you buy.',
    },
    new Date(tested.getTime() + 18 * 60_000),
  );
  await askOwner(
    {
      ...{ restorationId, pieceId: null, stage: 'keys', about: 'purchase' },
      what: 'Buy a new membrane for the keyboard.',
      why: 'A whole row is dead, and its line is most likely cracked where the tail folds. Paint does not hold at a fold.',
      costMinor: 3500,
      alternatives: 'Leave the row dead; or clean the clamp first and hope.',
    },
    new Date(tested.getTime() + 20 * 60_000),
  );
}
