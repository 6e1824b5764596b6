import fc from 'fast-check';
import {
  coatFaults,
  dewMargin,
  NO_SHEET,
  planCoats,
  recoatState,
  whatNow,
  type AirHour,
  type PaintSheet,
} from './coat';
import { surfaceUnder } from './air';
import { simulatedAir } from '@/simulators/weather/air';

const HOUR = 3_600_000;
const FROM = new Date('2026-06-15T00:00:00Z');
const SHEET: PaintSheet = {
  ...{ lowestC: 10, highestC: 30, highestHumidityPercent: 80, touchH: 1, throughH: 24, keyed: false },
  ...{ soonestH: 1, latestH: 4, againFromH: 48 },
};
const air = (h: number, more: Partial<AirHour> = {}): AirHour => ({
  ...{ at: new Date(FROM.getTime() + h * HOUR), airC: 20, surfaceC: 20, humidityPercent: 50, windMs: 1, rainMm: 0 },
  ...more,
});
const good = (hours: readonly number[], all = 120): AirHour[] =>
  Array.from({ length: all }, (_, h) => (hours.includes(h) ? air(h) : air(h, { rainMm: 1 })));
const OUT = { way: 'sprayed', inside: false } as const;
const starts = (plan: ReturnType<typeof planCoats>) =>
  plan.coats.map(({ at }) => (at.getTime() - FROM.getTime()) / HOUR);
const coats = (n: number, sheet = SHEET) => Array.from({ length: n }, (_, i) => ({ name: `coat ${i + 1}`, sheet }));

it('names what speaks against a coat, with what it is and what it may be', () => {
  const kinds = (more: Partial<AirHour>, inside = false) =>
    coatFaults(air(0, more), SHEET, 'sprayed', inside).map(({ kind }) => kind);
  expect(kinds({})).toEqual([]);
  expect(kinds({ surfaceC: -1 })).toContain('frost');
  expect(kinds({ surfaceC: 9 })).toEqual(['cold', 'dew']);
  expect(kinds({ surfaceC: 31 })).toEqual(['warm']);
  expect(kinds({ humidityPercent: 85 })).toEqual(['damp', 'dew']);
  expect(kinds({ windMs: 9, rainMm: 1 })).toEqual(['wind', 'rain']);
  expect(kinds({ windMs: 9, rainMm: 1 }, true)).toEqual([]);
  // 20 °C and 50 %: the dew point is 9.26 °C.
  expect(dewMargin(air(0))).toBeCloseTo(10.74, 2);
});

it('never lays a coat under the dew limit, before the sheet lets it, or in its bad time', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 4 }), (day, n) => {
      const from = new Date(FROM.getTime() + day * 24 * HOUR);
      const hours = simulatedAir(50.1, 14.4, from, 168).map((hour): AirHour => ({
        ...hour,
        surfaceC: surfaceUnder(hour, 0),
      }));
      const plan = planCoats(coats(n), hours, OUT);
      for (const [i, { at }] of plan.coats.entries()) {
        const hour = hours.find((one) => one.at.getTime() === at.getTime())!;
        expect(coatFaults(hour, SHEET, 'sprayed', false)).toEqual([]);
        if (i > 0)
          expect(['may follow', 'after keying']).toContain(
            recoatState(SHEET, (at.getTime() - plan.coats[i - 1]!.at.getTime()) / HOUR),
          );
      }
      expect(plan.misses === null).toBe(plan.coats.length === n && plan.throughAt !== null);
    }),
    { numRuns: 40 },
  );
});

it('the last coat comes as early as it can, and a first coat waits where it would fall into the bad time', () => {
  expect(starts(planCoats(coats(3), good([5, 6, 7, 8, 9]), OUT))).toEqual([5, 6, 7]);
  // Hour 2 stands alone: a second coat would have to follow in its bad time, so the first waits as well.
  expect(starts(planCoats(coats(2), good([2, 10, 11, 12]), OUT))).toEqual([10, 11]);
  // After two days it may follow again, keyed.
  const late = planCoats(coats(2), good([2, 60, 70]), OUT);
  expect(starts(late)).toEqual([2, 60]);
  expect(late.coats.map(({ keyed }) => keyed)).toEqual([false, true]);
});

it('by trying every row of hours no plan ends earlier', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 70 }), { minLength: 1, maxLength: 12 }), (open) => {
      const hours = [...open].sort((a, b) => a - b);
      const plan = planCoats(coats(3), good(hours, 80), OUT);
      let best = Infinity;
      const ok = (a: number, b: number) => ['may follow', 'after keying'].includes(recoatState(SHEET, b - a));
      for (const a of hours)
        for (const b of hours)
          for (const c of hours) if (b > a && c > b && ok(a, b) && ok(b, c)) best = Math.min(best, c);
      expect(plan.misses === null ? starts(plan)[2] : Infinity).toBe(best);
    }),
  );
});

it('a coat that was laid counts on: too soon, in time, bad time, keyed, and what the sheet leaves open', () => {
  expect(whatNow(SHEET, 0.5)).toEqual({ kind: 'wait', fromH: 0.5 });
  expect(whatNow(SHEET, 2)).toEqual({ kind: 'in time', untilH: 2 });
  expect(whatNow(SHEET, 10)).toEqual({ kind: 'wait', fromH: 38 });
  expect(whatNow(SHEET, 50)).toEqual({ kind: 'key it' });
  expect(whatNow({ ...SHEET, againFromH: null }, 10)).toEqual({ kind: 'start anew' });
  const last = { at: new Date(FROM.getTime() - 10 * HOUR), sheet: SHEET };
  expect(starts(planCoats(coats(1), good([1, 5, 39, 40]), { ...OUT, last }))).toEqual([39]);
});

it('without a sheet a day lies between coats, each keyed; what finds no hour says what stands against it', () => {
  const plan = planCoats(coats(2, NO_SHEET), good(Array.from({ length: 120 }, (_, h) => h)), OUT);
  expect(starts(plan)[1]! - starts(plan)[0]!).toBeGreaterThanOrEqual(24);
  expect(plan.coats[1]!.keyed).toBe(true);
  expect(planCoats(coats(1), good([]), OUT).misses).toEqual({ name: 'coat 1', most: 'rain' });
  expect(planCoats(coats(1), good([3]), { ...OUT, hands: () => false }).misses?.most).toBe('rain');
});
