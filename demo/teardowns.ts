import { keepFunctionTest } from '../src/work/tests';
import { TEST_ITEMS, type TestPhase, type TestResults } from '@/core/runsheet/functionTest';
import type { ConnectionKind, Joint } from '@/core/teardown/joints';
import type { Share } from '@/core/picture/picture';
import type { Lot } from '@/core/teardown/lots';
import { addBlock, addConnection, addLot, addTray, pinStep, takeOff } from '../src/work/teardown';
import { listTrays, teardownOf } from '@/data/teardown';
import { explainLot, putOn, tickConnection, tickLot } from '../src/work/rebuild/on';

interface Off {
  name: string;
  joint: Joint;
  way?: string;
  springs?: string;
  lot?: Partial<Lot>;
  connection?: [ConnectionKind, string];
}

const SCREW: Lot = {
  thing: 'screw',
  drive: 'cross',
  head: 'pan',
  diameterMm: 3,
  lengthMm: 10,
  shank: 'tapered',
  count: 1,
  fate: 'kept',
};

/** The home computer: 22 steps, long screws at the back, and a keyboard with a rod. */
const BRIMSEL: Off[] = [
  { name: 'Bottom screws, front', joint: 'screws', lot: { count: 4 } },
  { name: 'Bottom screws, back', joint: 'screws', lot: { count: 2, lengthMm: 26 } },
  { name: 'Upper shell', joint: 'clips', way: 'lift at the back, then forward' },
  { name: 'Lamp plug', joint: 'plug', connection: ['plug', 'red to the left, two pins'] },
  {
    name: 'Keyboard ribbon',
    joint: 'ribbon clamp',
    connection: ['ribbon clamp', 'bar swings up; bare side of the foil down, blue stripe left'],
  },
  { name: 'Keyboard screws', joint: 'screws', lot: { count: 3, lengthMm: 14 } },
  { name: 'Keyboard', joint: 'laid in', way: 'slides right, then up' },
  { name: 'Outer shield', joint: 'screws', lot: { count: 5, lengthMm: 6, shank: 'straight' } },
  { name: 'Inner shield', joint: 'laid in', way: 'lies loose over the two chips' },
  { name: 'Power plug', joint: 'plug', connection: ['plug', 'notch to the edge'] },
  { name: 'Board screws', joint: 'screws', lot: { count: 6, lengthMm: 8 } },
  { name: 'Sound wires', joint: 'wires', connection: ['wires', 'black is upper'] },
  { name: 'Board', joint: 'laid in', way: 'tilt the sockets out first' },
  { name: 'Insulating sheet', joint: 'laid in' },
  { name: 'Space bar', joint: 'cap', way: 'straight up over its stem' },
  { name: 'Space bar spring', joint: 'spring', springs: 'stiffer than the rest, dark' },
  { name: 'Rod of the space bar', joint: 'laid in', way: 'out from under its two tabs' },
  { name: 'Other caps', joint: 'cap' },
  { name: 'Springs and plungers', joint: 'spring', springs: '57 springs, 57 plungers' },
  { name: 'Back plate screws', joint: 'screws', lot: { count: 14, diameterMm: 2, lengthMm: 5 } },
  { name: 'Three longer back plate screws', joint: 'screws', lot: { count: 3, diameterMm: 2, lengthMm: 9 } },
  { name: 'Membrane', joint: 'laid in', way: 'never folded' },
];

const BRIMSEL_BLOCKS: [string, string, string][] = [
  ['Inner shield', 'Outer shield', 'out of reach once the outer one is screwed on'],
  ['Keyboard ribbon', 'Keyboard screws', 'the clamp is reached only while the keyboard is tilted up'],
  ['Rod of the space bar', 'Space bar', 'sits under its two tabs'],
  ['Lamp plug', 'Upper shell', 'its wire is too short afterwards'],
  ['Sound wires', 'Board screws', 'soldered side is below'],
];

/** Where things sat, on the photograph from above. */
const BRIMSEL_PINS: [name: string, pins: Share[]][] = [
  [
    'Rod of the space bar',
    [
      { x: 0.33, y: 0.69 },
      { x: 0.6, y: 0.69 },
    ],
  ],
  [
    'Upper shell',
    [
      { x: 0.13, y: 0.3 },
      { x: 0.86, y: 0.3 },
    ],
  ],
];

const PELLWIG: Off[] = [
  { name: 'Cell door', joint: 'clips' },
  { name: 'Back screws', joint: 'screws', lot: { count: 4, diameterMm: 2, lengthMm: 8, fate: 'replaced' } },
  { name: 'Back shell', joint: 'clips', way: 'open at the door first' },
  { name: 'Cell wires', joint: 'wires', connection: ['wires', 'red is upper'] },
  { name: 'Board', joint: 'screws', lot: { count: 2, diameterMm: 2, lengthMm: 5 } },
];

async function record(restorationId: string, offs: readonly Off[], at: Date): Promise<void> {
  let minute = 0;
  for (const { name, joint, way = '', springs = '', lot, connection } of offs) {
    const when = new Date(at.getTime() + 60_000 * minute++);
    const step = await takeOff({ restorationId, name, joint, way, springs, by: 'Lindra' }, when);
    if (lot) await addLot(step.id, { ...SCREW, ...lot }, null, when);
    if (connection) await addConnection({ stepId: step.id, kind: connection[0], way: connection[1] }, when);
  }
}

/** Puts steps back on, each with its fasteners and connections. */
async function putBack(restorationId: string, names: readonly string[], at: Date): Promise<void> {
  let minute = 0;
  for (const name of names) {
    const when = new Date(at.getTime() + 60_000 * minute++);
    const { steps, lots, connections } = await teardownOf(restorationId);
    const step = steps.find((known) => known.name === name)!;
    for (const lot of lots.filter(({ stepId }) => stepId === step.id)) {
      if (lot.missing < lot.count) await tickLot(lot.id, lot.count - lot.missing, lot.lengthMm, 0, when);
    }
    for (const { id } of connections.filter(({ stepId }) => stepId === step.id)) await tickConnection(id, when);
    await putOn({ stepId: step.id, words: '', by: 'Osk' }, when);
  }
}

const tested = (faulty: string[]): TestResults =>
  Object.fromEntries(
    TEST_ITEMS.map((item) => [item, item === 'drives' ? 'not there' : faulty.includes(item) ? 'faulty' : 'works']),
  );

/** The home computer taken apart whole, and its keyboard together again while the shell is in the sun. */
export async function brimselApart(restorationId: string, photoId: string, off: Date, on: Date): Promise<void> {
  if ((await listTrays()).length === 0) await addTray({ name: 'Blue tray', columns: 6, rows: 3 }, off);
  await record(restorationId, BRIMSEL, off);
  const { steps } = await teardownOf(restorationId);
  const idOf = (name: string) => steps.find((step) => step.name === name)!.id;
  for (const [first, then, why] of BRIMSEL_BLOCKS) await addBlock(idOf(first), idOf(then), why, off);
  for (const [name, pins] of BRIMSEL_PINS) await pinStep(idOf(name), photoId, pins, off);
  await putBack(
    restorationId,
    ['Membrane', 'Three longer back plate screws', 'Back plate screws', 'Springs and plungers', 'Other caps'],
    on,
  );
}

/** The handheld apart and closed again, one lot replaced on the way. */
export async function pellwigThereAndBack(restorationId: string, off: Date, on: Date): Promise<void> {
  const test = (phase: TestPhase, faulty: string[], at: Date) =>
    keepFunctionTest({ restorationId, phase, results: tested(faulty), words: {}, waivedWhy: null }, at);
  await test('before', [], new Date(off.getTime() - 3_600_000));
  await record(restorationId, PELLWIG, off);
  const { lots, steps } = await teardownOf(restorationId);
  const back = lots.find(({ stepId }) => steps.find(({ id }) => id === stepId)!.name === 'Back screws')!;
  await putBack(restorationId, ['Board', 'Cell wires', 'Back shell'], on);
  await explainLot(back.id, 4, 'stripped; replaced by four straight ones of the same pitch', on);
  await putBack(restorationId, ['Back screws', 'Cell door'], new Date(on.getTime() + 600_000));
  await test('before closing', [], new Date(on.getTime() + 300_000));
  await test('after', [], new Date(on.getTime() + 1_200_000));
}
