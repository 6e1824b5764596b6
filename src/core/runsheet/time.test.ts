import fc from 'fast-check';
import { formatMoney, minorUnits, workCost } from '../ledger/money';
import { dayAround, fromLocalField, isTimeZone, showMinutes, showTime, toLocalField } from './time';

it('a field in the workshop’s zone comes back as the same instant', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('2000-01-01'), max: new Date('2060-01-01'), noInvalidDate: true }),
      fc.constantFrom('Europe/Stockholm', 'Asia/Kolkata', 'Etc/GMT+2', 'Pacific/Auckland'),
      (date, zone) => {
        const minute = new Date(Math.floor(date.getTime() / 60_000) * 60_000);
        const back = fromLocalField(toLocalField(minute.toISOString(), zone), zone)!;
        // An hour that the clocks show twice may come back as its twin.
        expect(Math.abs(Date.parse(back) - minute.getTime()) % 3_600_000).toBe(0);
        expect(toLocalField(back, zone)).toBe(toLocalField(minute.toISOString(), zone));
      },
    ),
  );
});

it('days have 23, 24 or 25 hours', () => {
  expect(dayAround(new Date('2026-03-29T12:00:00Z'), 'Europe/Stockholm')).toEqual({
    start: new Date('2026-03-28T23:00:00Z'),
    hours: 23,
  });
  expect(dayAround(new Date('2026-10-25T12:00:00Z'), 'Europe/Stockholm').hours).toBe(25);
  expect(dayAround(new Date('2026-06-21T01:00:00Z'), 'Etc/GMT+2')).toEqual({
    start: new Date('2026-06-20T02:00:00Z'),
    hours: 24,
  });
});

it('what is not a time or a zone is known as such', () => {
  expect(fromLocalField('yesterday', 'UTC')).toBeNull();
  expect(isTimeZone('Europe/Stockholm')).toBe(true);
  expect(isTimeZone('Middle/Nowhere')).toBe(false);
});

it('reads well', () => {
  expect(showTime('2026-06-21T10:05:00Z', 'Etc/GMT+2')).toBe('21 Jun 2026, 08:05');
  expect(showMinutes(45)).toBe('45 min');
  expect(showMinutes(125)).toBe('2 h 05 min');
  expect(formatMoney(1250, 'EUR')).toBe('€12.50');
  expect(formatMoney(1250, 'JPY')).toBe('JP¥1,250');
});

it('shows what a clock in the zone shows, also in the hours that it skips or repeats', () => {
  const zones = ['Europe/Stockholm', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Auckland', 'Asia/Kathmandu'] as const;
  const clocks = new Map(
    zones.map((timeZone) => {
      const numbers = {
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
      } as const;
      return [timeZone, new Intl.DateTimeFormat('sv-SE', { ...numbers, timeZone })];
    }),
  );
  const aroundAChange = fc
    .tuple(
      fc.constantFrom('2026-03-29T01:00Z', '2026-10-25T01:00Z', '2026-04-04T14:00Z'),
      fc.integer({ min: -90, max: 90 }),
    )
    .map(([at, minutes]) => new Date(Date.parse(at) + minutes * 60_000));
  const anyTime = fc.date({ min: new Date('1970-01-02'), max: new Date('2099-01-01'), noInvalidDate: true });
  fc.assert(
    fc.property(fc.oneof(aroundAChange, anyTime), fc.constantFrom(...zones), (at, zone) => {
      expect(showTime(at.toISOString(), zone, 'yyyy-MM-dd HH:mm')).toBe(clocks.get(zone)!.format(at));
    }),
  );
  expect(() => showTime('yesterday', 'UTC')).toThrow(RangeError);
  expect(() => showTime('2026-06-21T10:05:00Z', 'Middle/Nowhere')).toThrow(RangeError);
});

it('money comes back from minor units, also where a currency has none', () => {
  expect(minorUnits(12.5, 'EUR')).toBe(1250);
  expect(minorUnits(1250, 'JPY')).toBe(1250);
  expect(workCost(90, 1000)).toBe(1500);
});
