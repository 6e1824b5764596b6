import type { Way } from '@/core/choice/compare';
import { skyOverDays, waysOnCalendar } from './waysCalendar';

const NOW = new Date('2026-06-21T12:00:00Z');
const way = (rest: Partial<Way>): Way => ({
  school: 'bath-lamp',
  title: 'Bath, lamp',
  finish: null,
  finishSlow: null,
  dose: null,
  sessions: 1,
  handsMin: 10,
  waitingH: 4,
  costMinor: null,
  supply: null,
  spreadB: 1,
  risks: [],
  missing: [],
  buy: [],
  blocked: [],
  sun: null,
  ...rest,
});

it('lays sessions in the sun as they are, a lamp from now until it is done, and what a slow piece takes longer', () => {
  const session = { from: '2026-06-22T12:00:00.000Z', to: '2026-06-23T00:00:00.000Z', dose: 5 };
  const [lamp, sun] = waysOnCalendar(
    [
      way({ finish: '2026-06-26T12:00:00.000Z', finishSlow: '2026-07-01T12:00:00.000Z', missing: [{ kind: 'lamp' }] }),
      way({ school: 'bag-sun', sun: { sessions: [session], dose: 5, enough: true, days: [] } }),
      way({ school: 'leave-it' }),
    ],
    NOW,
    10,
  );
  expect(lamp).toMatchObject({ at: [{ from: 0, to: 0.5 }], late: { from: 0.5, to: 1 }, open: false });
  expect(sun!.at[0]!.from).toBeCloseTo(0.1);
  expect(sun!.at[0]!.to).toBeCloseTo(0.15);
  expect(sun).toMatchObject({ late: null, open: true });
});

it('a covered day gives less than a clear one, and without a place there is no sky', () => {
  const place = { latitude: 45, longitude: 0, altitudeM: 0 };
  const clouds = Array.from({ length: 48 }, (_, i) => ({
    at: new Date(NOW.getTime() + i * 3_600_000),
    cloud: i < 24 ? 0 : 1,
  }));
  const [clear, grey] = skyOverDays(place, clouds, NOW, 2);
  expect(clear!.uvHours).toBeGreaterThan(30);
  expect(grey!.uvHours).toBeLessThan(clear!.uvHours / 2);
  expect([clear!.cloud, grey!.cloud]).toEqual([0, 1]);
  expect(skyOverDays(null, clouds, NOW, 2)).toEqual([]);
});
