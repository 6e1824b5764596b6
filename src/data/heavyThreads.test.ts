import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Overload } from '@/core/refusal';
import { inPool } from './heavyPool';

const mockFolder = mkdtempSync(path.join(tmpdir(), 'kvell-threads-'));
const FLAG = path.join(mockFolder, 'broken');
const WORKS = `
  import { existsSync } from 'node:fs';
  if (existsSync(${JSON.stringify(FLAG)})) throw new Error('It cannot be loaded.');
  export const pdf = () => { const eaten = []; for (;;) eaten.push(new Array(100_000).fill(Math.random())); };
  export const calendar = () => process.exit(3);
  export const move = () => { for (;;); };
  export const laidOut = (given) => given;
  export const face = () => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 400);
`;

/** The package itself, with its own threads; only what they do is ours, and they may take little. */
jest.mock('piscina', () => {
  const Piscina = jest.requireActual<new (options: object) => object>('piscina');
  return {
    __esModule: true,
    default: class extends Piscina {
      constructor(options: object) {
        super({
          ...options,
          filename: path.join(mockFolder, 'works.mjs'),
          resourceLimits: { maxOldGenerationSizeMb: 48 },
        });
      }
    },
  };
});

beforeAll(() => writeFileSync(path.join(mockFolder, 'works.mjs'), WORKS));
afterAll(() => rmSync(mockFolder, { recursive: true }));
afterEach(() => jest.restoreAllMocks());

const outcome = (of: Promise<unknown>) =>
  of.then(
    (made) => made,
    (failure: Error) => failure,
  );
const comesAfter = (name: 'pdf' | 'calendar' | 'move') =>
  Promise.all([name, 'laidOut' as const].map((one) => outcome(inPool(one, 7 as never))));

it('ends what takes too much memory, and begins what waits behind it', async () => {
  const [eaten, after] = await comesAfter('pdf');
  expect(eaten).toBeInstanceOf(Overload);
  expect((eaten as Overload).message).toContain('Make it in parts');
  expect(after).toBe(7);
});

it('begins what waits behind a thread that ends in the middle of its work', async () => {
  const [ended, after] = await comesAfter('calendar');
  expect((ended as Error).message).toContain('exited with code: 3');
  expect(after).toBe(7);
});

it('ends what comes to no end after five minutes, and begins what waits behind it', async () => {
  const { timeout } = AbortSignal;
  const limits: number[] = [];
  jest.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
    limits.push(ms);
    return timeout.call(AbortSignal, limits.length === 1 ? 1500 : ms);
  });
  const [endless, after] = await comesAfter('move');
  expect(endless).toBeInstanceOf(Overload);
  expect(after).toBe(7);
  expect(limits).toEqual([300_000, 300_000]);
});

it('says what a thread that cannot begin died of, and begins the next work in another', async () => {
  const told = jest.spyOn(process, 'emitWarning').mockImplementation();
  // The thread of the tests before has to go first.
  await outcome(inPool('calendar', 7 as never));
  writeFileSync(FLAG, '');
  const broken = await outcome(inPool('laidOut', 7 as never));
  expect((broken as Error).message).toBe('It cannot be loaded.');
  expect(told.mock.calls[0]![0]).toBe(broken);
  rmSync(FLAG);
  expect(await inPool('laidOut', 8 as never)).toBe(8);
});

it('lets twenty-four wait, and tells the next one so', async () => {
  const first = inPool('face', 0 as never);
  // Begun, it waits no more.
  await new Promise(setImmediate);
  const [waiting, next] = [
    Array.from({ length: 24 }, (_, k) => inPool('laidOut', k as never)),
    inPool('laidOut', 24 as never),
  ];
  const refused = await outcome(next);
  expect(refused).toBeInstanceOf(Overload);
  expect((refused as Overload).message).toContain('Try again in a minute');
  expect(await Promise.all([first, ...waiting])).toEqual(['timed-out', ...Array.from({ length: 24 }, (_, k) => k)]);
});
