import fc from 'fast-check';
import { cableCode, KeyboardCable, type CableFaults } from '@/simulators/keyboardCable';
import { grid } from './boards.testing';
import { BOUNCE_MS, heard, NOTHING_HEARD, STAYS_ON_MS, staysOn, type Heard, type KeyEvent } from './live';

const { keys } = grid(3, 4);
const GOOD: CableFaults = { dead: [], stuck: [], bouncing: [], bridged: null };

/** Every key of a board pressed three times, one after the other. */
function allPressed(faults: CableFaults, seed: number): { after: Heard; endMs: number } {
  const cable = new KeyboardCable(keys, faults, seed);
  let [after, now] = [NOTHING_HEARD, 0];
  for (let round = 0; round < 3; round++)
    for (const { id } of keys) {
      for (const event of cable.press(id, now)) after = heard(after, event);
      now += 400;
    }
  return { after, endMs: now };
}
const named = (codes: readonly string[]) => codes.map((code) => code.replace(/^Cable-/, '')).sort();

it('hears which keys answer, which stay on, which bounce and which answer together', () => {
  fc.assert(
    fc.property(
      fc.shuffledSubarray(
        keys.map(({ id }) => id),
        { minLength: 3, maxLength: 3 },
      ),
      fc.nat(10_000),
      (three, seed) => {
        const [dead, stuck, bouncing] = three as [string, string, string];
        const { after, endMs } = allPressed({ ...GOOD, dead: [dead], stuck: [stuck], bouncing: [bouncing] }, seed);
        const rest = keys.map(({ id }) => id).filter((id) => id !== dead && id !== stuck);
        expect(named(after.answered)).toEqual(rest.sort());
        expect(named(staysOn(after, endMs + STAYS_ON_MS + 1))).toEqual([stuck]);
        expect(named(Object.keys(after.bounced)).filter((id) => id !== bouncing)).toEqual([]);
        expect(after.together).toEqual({});
      },
    ),
    { numRuns: 40 },
  );
});

it('joined lines are heard as keys that answer together', () => {
  const { after } = allPressed({ ...GOOD, bridged: { kind: 'column', lines: ['C1', 'C2'] } }, 4);
  const pairs = Object.keys(after.together).map((pair) => named(pair.split(' ')).join());
  expect(pairs).toContain('k0.1,k0.2');
  expect(pairs.every((pair) => /^k(\d)\.1,k\1\.2$/.test(pair))).toBe(true);
});

it('a bounce is a second press within thirty milliseconds, and a key that is held repeats without being pressed', () => {
  const at = (atMs: number, type: KeyEvent['type']): KeyEvent => ({ code: 'x', type, atMs });
  const after = (...events: KeyEvent[]) => events.reduce(heard, NOTHING_HEARD);
  expect(after(at(0, 'down'), at(90, 'up'), at(90 + BOUNCE_MS - 1, 'down')).bounced).toEqual({ x: 1 });
  expect(after(at(0, 'down'), at(90, 'up'), at(90 + BOUNCE_MS, 'down')).bounced).toEqual({});
  expect(after(at(0, 'down'), at(500, 'down'), at(530, 'down'), at(560, 'up')).answered).toEqual(['x']);
  expect(after(at(5, 'up'))).toEqual(NOTHING_HEARD);
  expect(staysOn(after(at(0, 'down')), STAYS_ON_MS)).toEqual([]);
  expect(staysOn(after(at(0, 'down')), STAYS_ON_MS + 1)).toEqual(['x']);
  expect(cableCode('a')).not.toBe(cableCode('b'));
});
