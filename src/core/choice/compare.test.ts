import { cloudTransmission } from '../sun/uvIndex';
import fc from 'fast-check';
import { simulatedSky } from '@/simulators/weather/sky';
import { compareWays, guessOf, type CompareInput } from './compare';
import { SCHOOLS } from '../session/schools';
import { sunDose } from '../sun/day';
import type { OwnStock } from '../session/supply';
import { evenCloud, placeSessions, windowNow, type SessionsInput } from '../session/sessions';

const DAY_MS = 86_400_000;
const NOW = new Date('2026-06-15T06:00:00Z');
const PLACE = { latitude: 50, longitude: 10 };
const hours = Array.from({ length: 14 }, (_, day) => ({
  from: new Date(NOW.getTime() + day * DAY_MS + 2 * 3_600_000),
  to: new Date(NOW.getTime() + day * DAY_MS + 11 * 3_600_000),
}));
const STOCK: OwnStock[] = [
  { id: 'tube', name: 'Tube', kind: 'cream', percentWW: 11.7, sizeMl: 1000, priceMinor: 1200, left: 1000 },
  { id: 'bottle', name: 'Bottle', kind: 'liquid', percentWW: 12, sizeMl: 5000, priceMinor: 2000, left: 5000 },
];
const YELLOW = { startB: 24, targetB: 6, sessions: [], measurementSd: 0.6 };
const LID: CompareInput = {
  piece: {
    lengthMm: 400,
    widthMm: 300,
    heightMm: 60,
    labels: '',
    metalInside: '',
    printed: false,
    painted: false,
    clear: false,
    brittle: false,
    spared: [],
    marks: [],
  },
  aim: 'presentable',
  yellowOf: () => YELLOW,
  aboveB: 18,
  toleranceB: 1.5,
  priorOf: guessOf,
  place: PLACE,
  shading: [],
  hours,
  clouds: simulatedSky(50, 10, NOW, 14 * 24),
  now: NOW,
  stock: STOCK,
  tubs: [],
  lampMwPerCm2: 0,
  going: null,
  by: null,
};
const wayOf = (school: string, rest: Partial<CompareInput> = {}) =>
  compareWays({ ...LID, ...rest }).ways.find((way) => way.school === school)!;
const recommended = (rest: Partial<CompareInput>) => compareWays({ ...LID, ...rest });

it('compares all eight ways, and names one with its reason', () => {
  const { ways, recommended: best, why } = compareWays(LID);
  expect(ways.map(({ school }) => school)).toEqual([...SCHOOLS, 'leave-it']);
  expect(ways.map(({ school }) => school)).toContain(best);
  expect(why.kind).toBe('weighed');
  const cream = ways[0]!;
  expect(cream.dose!.toGo.low).toBeLessThan(cream.dose!.toGo.high);
  expect(cream.sun!.enough).toBe(true);
  expect(cream.finish! <= cream.finishSlow!).toBe(true);
  expect(cream.costMinor).toBeGreaterThan(0);
});

it('says that the sky will not do it by the wished date, and prices lamp and vapour instead', () => {
  const soon = new Date(NOW.getTime() + 3_600_000);
  const instead = recommended({ by: soon }).instead!;
  expect(instead.map(({ school }) => school)).toEqual(['cream-film-lamp', 'bath-lamp', 'vapour']);
  expect(instead.find(({ school }) => school === 'vapour')!.costMinor).toBeGreaterThan(0);
  expect(recommended({ by: new Date(NOW.getTime() + 13 * DAY_MS) }).instead).toBeNull();
  expect(recommended({}).instead).toBeNull();
});

it('a treatment that goes on weighs: another way has to be worth the change', () => {
  const first = recommended({}).recommended;
  const other = SCHOOLS.find((id) => id !== first && wayOf(id).missing.length === 0)!;
  const going = recommended({ going: other });
  const again = recommended({ going: first as (typeof SCHOOLS)[number] });
  expect(again.recommended).toBe(first);
  expect(again.why).toMatchObject({ for: expect.arrayContaining(['goes on']) as string[] });
  expect([first, other]).toContain(going.recommended);
});

it('says what is missing, and never recommends what the piece forbids', () => {
  expect(wayOf('bath-lamp').missing).toContainEqual({ kind: 'lamp' });
  expect(wayOf('bath-lamp', { lampMwPerCm2: 5 }).finish).not.toBeNull();
  expect(wayOf('oxygen-soak').missing).toContainEqual(expect.objectContaining({ kind: 'peroxide', medium: 'powder' }));
  expect(wayOf('cream-film-sun', { place: null }).missing).toContainEqual({ kind: 'place' });
  const metal = recommended({ piece: { ...LID.piece, metalInside: 'two inserts' } });
  expect(metal).toMatchObject({
    recommended: 'leave-it',
    why: { kind: 'blocked', by: { kind: 'metal inside', metal: 'two inserts' } },
  });
  expect(recommended({ piece: { ...LID.piece, clear: true } }).recommended).toBe('leave-it');
  expect(recommended({ aim: 'keep the age' }).why.kind).toBe('keep the age');
  expect(recommended({ aboveB: 1 }).why.kind).toBe('matched already');
  expect(recommended({ yellowOf: () => null, aboveB: null }).why).toMatchObject({ kind: 'weighed', measured: false });
});

it('in the dark of winter the sun does not do it, and it says so', () => {
  const winter = { place: { latitude: 68, longitude: 10 }, now: new Date('2026-12-15T06:00:00Z') };
  const dark = hours.map(({ from, to }) => ({
    from: new Date(from.getTime() + 183 * DAY_MS),
    to: new Date(to.getTime() + 183 * DAY_MS),
  }));
  const way = wayOf('cream-film-sun', { ...winter, hours: dark });
  expect(way.finish).toBeNull();
  expect(way.missing).toContainEqual({ kind: 'sun' });
  expect(SCHOOLS.filter((id) => id.endsWith('sun'))).not.toContain(recommended({ ...winter, hours: dark }).recommended);
});

it('risks follow the piece: label, print, brittle, long and thin in hot water', () => {
  const all = {
    ...LID.piece,
    labels: 'serial',
    printed: true,
    brittle: true,
    lengthMm: 260,
    widthMm: 20,
    heightMm: 18,
  };
  const kinds = (school: Parameters<typeof wayOf>[0]) => wayOf(school, { piece: all }).risks.map(({ kind }) => kind);
  expect(kinds('oxygen-soak')).toEqual(['label', 'printed legends', 'brittle plastic', 'hot water bends']);
  expect(kinds('cream-film-sun')).not.toContain('hot water bends');
});

describe('sessions in the coming days', () => {
  const ask: SessionsInput = {
    place: PLACE,
    shading: [],
    hours,
    clouds: LID.clouds,
    transmission: 0.9,
    doseToGo: 60,
    longestMin: 480,
  };

  it('are the fewest that do it, inside the hours, as even as the days allow', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 150, noNaN: true }),
        fc.integer({ min: 60, max: 480 }),
        (doseToGo, longestMin) => {
          const { sessions, dose, enough, days } = placeSessions({ ...ask, doseToGo, longestMin });
          for (const { from, to } of sessions) {
            expect(hours.some((own) => own.from.toISOString() <= from && to <= own.to.toISOString())).toBe(true);
            expect(Date.parse(to) - Date.parse(from)).toBeLessThanOrEqual(longestMin * 60_000);
          }
          const best = days.map((day) => day.dose).sort((a, b) => b - a);
          const fewer = best.slice(0, Math.max(0, sessions.length - 1)).reduce((sum, value) => sum + value, 0);
          expect(fewer).toBeLessThan(doseToGo);
          expect(enough).toBe(best.reduce((sum, value) => sum + value, 0) >= doseToGo - 1e-6);
          if (enough) expect(dose).toBeGreaterThanOrEqual(doseToGo - 1e-6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('a wall in the way takes from every day; no hours, no sessions', () => {
    const walled = placeSessions({ ...ask, shading: [{ fromDeg: 90, toDeg: 270, heightDeg: 89 }] });
    expect(walled.days[0]!.dose).toBeLessThan(0.6 * placeSessions(ask).days[0]!.dose);
    expect(placeSessions({ ...ask, hours: [] })).toEqual({ sessions: [], dose: 0, enough: false, days: [] });
  });

  it('one cloud held over a window brings what the changing sky brings, and lies between its clearest and thickest hour', () => {
    const from = new Date(NOW.getTime() + 2 * 3_600_000);
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 6, maxLength: 6 }), (covered) => {
        const clouds = covered.map((cloud, i) => ({ at: new Date(from.getTime() + i * 3_600_000), cloud }));
        const window = { from, to: new Date(from.getTime() + 6 * 3_600_000) };
        const held = evenCloud({ place: PLACE, shading: [], clouds }, window);
        expect(held).toBeGreaterThan(Math.min(...covered) - 0.01);
        expect(held).toBeLessThan(Math.max(...covered) + 0.01);
        const { dose } = windowNow({ ...ask, clouds }, window);
        expect(sunDose(PLACE, from, 360, 0.9, held) / dose).toBeCloseTo(1, 2);
      }),
      { numRuns: 60 },
    );
  });

  it('a planned window is looked at again: where the sky has turned, one of the same length that brings clearly more is named', () => {
    const clear = hours.flatMap(({ from }) =>
      Array.from({ length: 24 }, (_, i) => ({ at: new Date(from.getTime() + (i - 12) * 3_600_000), cloud: 0 })),
    );
    const [planned] = placeSessions({ ...ask, clouds: clear, longestMin: 180, doseToGo: 5 }).sessions;
    const window = { from: new Date(planned!.from), to: new Date(planned!.to) };
    const kept = windowNow({ ...ask, clouds: clear }, window);
    expect(kept.better).toBeNull();
    expect(kept.dose).toBeCloseTo(planned!.dose, 9);
    const turned = clear.map((hour) =>
      Math.abs(hour.at.getTime() - window.from.getTime()) < 8 * 3_600_000 ? { ...hour, cloud: 1 } : hour,
    );
    const { dose, better } = windowNow({ ...ask, clouds: turned }, window);
    expect(dose).toBeCloseTo(cloudTransmission(1) * planned!.dose, 6);
    expect(better!.dose).toBeGreaterThan(1.5 * dose);
    expect(Date.parse(better!.to) - Date.parse(better!.from)).toBe(window.to.getTime() - window.from.getTime());
    expect(windowNow({ ...ask, clouds: turned, hours: [] }, window).better).toBeNull();
  });
});

it('the simulated sky is a sky: the same again, between clear and covered, and it changes', () => {
  const sky = simulatedSky(50, 10, NOW, 24 * 60).map(({ cloud }) => cloud);
  expect(sky).toEqual(simulatedSky(50, 10, NOW, 24 * 60).map(({ cloud }) => cloud));
  expect(Math.min(...sky)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...sky)).toBeLessThanOrEqual(1);
  const mean = sky.reduce((sum, cloud) => sum + cloud, 0) / sky.length;
  expect(mean).toBeGreaterThan(0.25);
  expect(mean).toBeLessThan(0.8);
  expect(sky.filter((cloud) => cloud < 0.2).length).toBeGreaterThan(60);
  // One hour is much like the next.
  const steps = sky.slice(1).map((cloud, i) => Math.abs(cloud - sky[i]!));
  expect(steps.reduce((sum, value) => sum + value, 0) / steps.length).toBeLessThan(0.12);
});

it('takes the bottle that has enough left; where none has, it says what is missing', () => {
  const cream = (left: number | null): OwnStock => ({
    id: String(left),
    name: 'Tube',
    kind: 'cream',
    percentWW: 11.7,
    sizeMl: 1000,
    priceMinor: 1200,
    left,
  });
  const missing = (stock: OwnStock[]) => wayOf('cream-film-sun', { stock }).missing;
  expect(missing([cream(10), cream(null)])).toEqual([]);
  expect(missing([cream(10), cream(5000)])).toEqual([]);
  expect(missing([cream(10), cream(20)])).toMatchObject([{ kind: 'more of it', name: 'Tube' }]);
  expect(missing([{ ...cream(5000), percentWW: 30 }])).toMatchObject([{ kind: 'peroxide', medium: 'cream' }]);
});

describe('the shelf first', () => {
  it('takes the best way that all is here for, and says beside it what would do better if it were bought', () => {
    const onlyLiquid = STOCK.filter(({ kind }) => kind === 'liquid');
    const all = recommended({ lampMwPerCm2: 3 });
    expect(all.better).toBeNull();
    for (const stock of [STOCK, onlyLiquid]) {
      const { ways, recommended: best, better } = recommended({ stock });
      expect(ways.find(({ school }) => school === best)!.missing).toEqual([]);
      if (better) expect(better.buy).toEqual(better.missing);
    }
    // Cream in the sun is quickest here, but there is none.
    const quick = {
      ...LID,
      priorOf: ({ id }: { id: string }) => ({ medianRate: id === 'cream-film-sun' ? 5 : 0.01, logSd: 0.3 }),
    };
    const { recommended: best, better } = compareWays({ ...quick, stock: onlyLiquid });
    expect(best).not.toBe('cream-film-sun');
    expect(better!.school).toBe('cream-film-sun');
    expect(better!.buy).toMatchObject([{ kind: 'peroxide', medium: 'cream' }]);
    expect(compareWays(quick)).toMatchObject({ recommended: 'cream-film-sun', better: null });
  });

  it('says so where nothing is all here for any way; a lack of sun is nothing to buy', () => {
    const empty = recommended({ stock: [] });
    expect(empty.why).toMatchObject({ ready: false });
    expect(empty.better).toBeNull();
    expect(wayOf('cream-film-sun', { place: null }).buy).toEqual([]);
  });
});

it('a bath that goes on counts as here; a lamp that is missing, or cream that is used up, does not', () => {
  const empty = { stock: [], lampMwPerCm2: 0 };
  expect(recommended({ ...empty, going: 'bath-sun' })).toMatchObject({
    recommended: 'bath-sun',
    why: { ready: true },
  });
  for (const going of ['bath-lamp', 'cream-film-sun'] as const)
    expect(recommended({ ...empty, going }).why).toMatchObject({ ready: false });
  expect(wayOf('cream-film-sun', empty).buy).toEqual([
    { kind: 'peroxide', medium: 'cream', leastPercent: 3, mostPercent: 12 },
  ]);
  expect(wayOf('bath-sun', empty).buy[0]).toEqual({
    kind: 'peroxide',
    medium: 'liquid',
    leastPercent: 6,
    mostPercent: null,
  });
});
