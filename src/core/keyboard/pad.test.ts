import { GamePadStandIn, type PadFaults } from '@/simulators/gamePad';
import { heard, NOTHING_HEARD, STAYS_ON_MS, staysOn } from './live';
import { padEvents } from './pad';

const SOUND: PadFaults = { dead: [], stuck: [], drifts: {} };

/** Everything that is heard while a pad is held so, one moment after the other. */
function heardOf(pad: GamePadStandIn, moments: readonly { down: number[]; pushed?: Record<number, number> }[]) {
  let held: ReadonlySet<string> = new Set<string>();
  return moments.flatMap(({ down, pushed }) => {
    const next = padEvents(held, pad.shows(down, pushed));
    held = next.held;
    return next.events.map(({ code, type }) => `${code} ${type}`);
  });
}

it('a button and a direction go down once and up once, however long they are held', () => {
  const pad = new GamePadStandIn(4, 2, SOUND, 1);
  expect(
    heardOf(pad, [
      { down: [] },
      { down: [2] },
      { down: [2] },
      { down: [] },
      { down: [], pushed: { 0: -1 } },
      { down: [] },
    ]),
  ).toEqual(['Pad-2 down', 'Pad-2 up', 'Pad-axis-0-less down', 'Pad-axis-0-less up']);
});

it('a stick that trembles at rest is not pressed, and one held near its limit does not flutter', () => {
  const pad = new GamePadStandIn(0, 2, SOUND, 2);
  const rest = Array.from({ length: 300 }, () => ({ down: [] }));
  expect(heardOf(pad, rest)).toEqual([]);
  const near = [
    { down: [], pushed: { 1: 0.9 } },
    ...Array.from({ length: 300 }, () => ({ down: [], pushed: { 1: 0.52 } })),
  ];
  expect(heardOf(pad, near)).toEqual(['Pad-axis-1-more down']);
});

it('a dead button is not heard, and a direction that stays on is', () => {
  const pad = new GamePadStandIn(3, 2, { dead: [1], stuck: [], drifts: { 0: 1 } }, 3);
  expect(heardOf(pad, [{ down: [] }, { down: [1] }, { down: [] }])).toEqual(['Pad-axis-0-more down']);
  const now = heard(NOTHING_HEARD, { code: 'Pad-axis-0-more', type: 'down', atMs: 0 });
  expect(staysOn(now, STAYS_ON_MS + 1)).toEqual(['Pad-axis-0-more']);
});
