import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Overload, Refusal } from '@/core/refusal';
import { inPool } from './heavyPool';

const mockFolder = mkdtempSync(path.join(tmpdir(), 'kvell-threads-'));
const mockNiceness: number[] = [];
const FLAG = path.join(mockFolder, 'broken');
/** Of the works only the names are the house’s own: each is one that can happen to any of them. */
const WORKS = `
  import { existsSync } from 'node:fs';
  if (existsSync(${JSON.stringify(FLAG)})) throw new Error('It cannot be loaded.');
  const comesBack = (given) => given;
  export { comesBack as laidOut, comesBack as sameFace, comesBack as soiled };
  export const pdf = () => { const eaten = []; for (;;) eaten.push(new Array(100_000).fill(Math.random())); };
  export const calendar = () => process.exit(3);
  export const move = () => { for (;;); };
  export const bench = move;
  export const face = () => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 400);
  export const evenedOf = () => ({ refused: { field: 'flatField', message: 'It is too dark.' } });
`;

/** The package itself, with its own threads; they may take less. */
jest.mock('piscina', () => {
  const Piscina = jest.requireActual<new (options: object) => object>('piscina');
  return {
    __esModule: true,
    default: class extends Piscina {
      constructor(options: { niceIncrement: number }) {
        super({
          ...options,
          filename: path.join(mockFolder, 'works.mjs'),
          resourceLimits: { maxOldGenerationSizeMb: 48 },
        });
        mockNiceness.push(options.niceIncrement);
      }
    },
  };
});

beforeAll(() => writeFileSync(path.join(mockFolder, 'works.mjs'), WORKS));
afterAll(() => rmSync(mockFolder, { recursive: true }));
afterEach(() => jest.restoreAllMocks());

const asked = (name: Parameters<typeof inPool>[0], given: unknown = 7): Promise<unknown> =>
  inPool(name, given as never);
const outcome = (of: Promise<unknown>) =>
  of.then(
    (made) => made,
    (failure: Error) => failure,
  );
/** Of one work and the one that waits behind it. */
const andAfter = (name: 'pdf' | 'calendar' | 'move') =>
  Promise.all([name, 'laidOut' as const].map((one) => outcome(asked(one))));

/** How long each work may take, one after the other, and a way to have that over. */
function limits() {
  const set: { ms: number; over: AbortController }[] = [];
  jest.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
    const over = new AbortController();
    set.push({ ms, over });
    return over.signal;
  });
  return set;
}

it('lets nothing that somebody waits for stand behind the plan, which takes what the others leave, for half an hour at most', async () => {
  const set = limits();
  const plan = outcome(asked('bench'));
  let isPlanned = false;
  void plan.then(() => (isPlanned = true));
  const others = ['pdf', 'calendar', 'laidOut', 'evenedOf', 'face', 'sameFace', 'soiled'] as const;
  for (const name of others) await outcome(asked(name));
  expect(isPlanned).toBe(false);
  set[0]!.over.abort();
  expect(await plan).toBeInstanceOf(Overload);
  expect(set.map(({ ms }) => ms)).toEqual([1_800_000, ...others.map(() => 300_000)]);
  const [beside, ...rest] = mockNiceness;
  expect(beside).toBeGreaterThan(0);
  expect(rest).toEqual([0]);
});

it('brings a refusal back as one', async () => {
  const refused = await outcome(asked('evenedOf'));
  expect(refused).toBeInstanceOf(Refusal);
  expect(refused).not.toBeInstanceOf(Overload);
  expect(refused).toMatchObject({ field: 'flatField', message: 'It is too dark.' });
});

it('ends what takes too much memory, and begins what waits behind it', async () => {
  const [eaten, after] = await andAfter('pdf');
  expect(eaten).toBeInstanceOf(Overload);
  expect((eaten as Overload).message).toContain('Make it in parts');
  expect(after).toBe(7);
});

it('begins what waits behind a thread that ends in the middle of its work', async () => {
  const [ended, after] = await andAfter('calendar');
  expect((ended as Error).message).toContain('exited with code: 3');
  expect(after).toBe(7);
});

it('ends what comes to no end after five minutes, and begins what waits behind it', async () => {
  const set = limits();
  const both = andAfter('move');
  await new Promise((begun) => setTimeout(begun, 500));
  set[0]!.over.abort();
  const [endless, after] = await both;
  expect(endless).toBeInstanceOf(Overload);
  expect(after).toBe(7);
  expect(set.map(({ ms }) => ms)).toEqual([300_000, 300_000]);
});

it('says what a thread that cannot begin died of, and begins the next work in another', async () => {
  const told = jest.spyOn(process, 'emitWarning').mockImplementation();
  // The thread of the tests before has to go first.
  await outcome(asked('calendar'));
  writeFileSync(FLAG, '');
  const broken = await outcome(asked('laidOut'));
  expect((broken as Error).message).toBe('It cannot be loaded.');
  expect(told.mock.calls[0]![0]).toBe(broken);
  rmSync(FLAG);
  expect(await asked('laidOut', 8)).toBe(8);
});

it('lets twenty-four wait, and tells the next one so', async () => {
  const first = asked('face');
  // Begun, it waits no more.
  await new Promise(setImmediate);
  const waiting = Array.from({ length: 24 }, (_, k) => asked('laidOut', k));
  const refused = await outcome(asked('laidOut'));
  expect(refused).toBeInstanceOf(Overload);
  expect((refused as Overload).message).toContain('Try again in a minute');
  expect(await Promise.all([first, ...waiting])).toEqual(['timed-out', ...Array.from({ length: 24 }, (_, k) => k)]);
});
