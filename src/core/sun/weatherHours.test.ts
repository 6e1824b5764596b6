import fc from 'fast-check';
import { hoursFromRows, skyWith } from './weatherHours';

/** A made-up workshop's clock that is set forward and back, as many are. */
const ZONE = 'Europe/Lisbon';
const rows = (times: readonly string[], clouds: readonly string[], cloud = 'cloud %') =>
  times.map((time, i) => ({ time, [cloud]: clouds[i]! }));
const taken = (...of: Parameters<typeof rows>) => hoursFromRows(rows(...of), ZONE);

it('reads hours of the workshop’s clock, and of another zone by its offset', () => {
  const june = taken(['2026-06-21 10:00', '2026-06-21T11:00'], ['40', '25 %']);
  expect(june.hours).toEqual([
    { at: new Date('2026-06-21T09:00:00Z'), cloud: 0.4 },
    { at: new Date('2026-06-21T10:00:00Z'), cloud: 0.25 },
  ]);
  expect(june.notes).toEqual([]);
  const away = taken(['2026-06-21T10:00+05:30', '2026-06-21T11:00+05:30'], ['40', '60']);
  expect(away.hours[0]!.at).toEqual(new Date('2026-06-21T04:00:00Z'));
  expect(away.notes[0]).toMatch(/of another zone \(\+05:30; here it is \+01:00\)/);
});

it('counts per cent, eighths and shares by the header or by what can only be meant; what can be both is asked', () => {
  const cloud = (header: string, ...cells: string[]) =>
    taken(
      cells.map((_, i) => `2026-06-21 1${i}:00`),
      cells,
      header,
    ).hours.map((hour) => hour.cloud);
  expect(cloud('cloud okta', '4', '8')).toEqual([0.5, 1]);
  expect(cloud('cloud', '0,25', '1')).toEqual([0.25, 1]);
  expect(cloud('Cloud cover', '0', '75')).toEqual([0, 0.75]);
  expect(() => cloud('cloud', '3', '8')).toThrow(/8 can be per cent or eighths. Name the column/);
});

it('says line by line what cannot be read and what would be right, and takes nothing then', () => {
  expect(() => taken(['21.06.2026 10:00', '2026-06-21 11:00', '2026-06-21 12:00'], ['40', 'much', '140'])).toThrow(
    'line 2: “21.06.2026 10:00” is not a time; write it like 2026-06-21 14:00; line 3: “much” is not a number; line 4: 140 is not between 0 and 100. Nothing was taken in.',
  );
  expect(() => hoursFromRows([{ when: '2026-06-21 10:00', rain: '2' }], ZONE)).toThrow('it names “when”, “rain”');
  expect(() => hoursFromRows([], ZONE)).toThrow('has to name a column “time”');
  expect(() => taken(['2026-06-21 10:00'], [''])).toThrow('no hour with its cloud');
});

it('tells of gaps, and of hours that the clock leaves out or gives twice', () => {
  expect(taken(['2026-06-21 10:00', '2026-06-21 14:00'], ['40', '60']).notes).toEqual([
    '3 of its 5 hours are missing; there the sky stays invented.',
  ]);
  const spring = taken(['2026-03-29 00:00', '2026-03-29 01:00', '2026-03-29 02:00'], ['10', '20', '30']);
  expect(spring.notes[0]).toMatch(/2026-03-29 01:00 does not exist here/);
  expect(spring.hours.map(({ at }) => at.toISOString())).toEqual([
    '2026-03-29T00:00:00.000Z',
    '2026-03-29T01:00:00.000Z',
  ]);
  const autumn = taken(
    ['2026-10-25 00:00', '2026-10-25 01:00', '2026-10-25 01:00', '2026-10-25 02:00'],
    ['10', '20', '30', '40'],
  );
  expect(autumn.hours.map(({ at, cloud }) => [at.toISOString().slice(11, 16), cloud])).toEqual([
    ['23:00', 0.1],
    ['00:00', 0.2],
    ['01:00', 0.3],
    ['02:00', 0.4],
  ]);
  expect(autumn.notes).toEqual(['The hour that comes twice, when the clocks are set back, is taken once for each.']);
});

it('whatever is written, an hour comes once, in order, with a cloud between 0 and 1', () => {
  const hour = fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 100 }));
  fc.assert(
    fc.property(fc.array(hour, { minLength: 1, maxLength: 60 }), (given) => {
      const iso = (h: number) => new Date(Date.UTC(2026, 9, 20) + h * 3_600_000).toISOString();
      const { hours } = hoursFromRows(
        given.map(([h, cloud]) => ({ time: iso(h), 'cloud %': String(cloud) })),
        ZONE,
      );
      expect(hours).toHaveLength(new Set(given.map(([h]) => h)).size);
      hours.forEach(({ at, cloud }, i) => {
        expect(cloud >= 0 && cloud <= 1).toBe(true);
        if (i > 0) expect(at.getTime()).toBeGreaterThan(hours[i - 1]!.at.getTime());
      });
    }),
    { numRuns: 60 },
  );
});

it('a look or a file goes before the forecast, hour by hour', () => {
  const at = (h: number) => new Date(Date.UTC(2026, 5, 21, h));
  const merged = skyWith(
    [10, 11, 12].map((h) => ({ at: at(h), cloud: 0.5 })),
    [{ at: at(11), cloud: 0.1 }],
  );
  expect(merged.map(({ cloud, own }) => [cloud, own])).toEqual([
    [0.5, false],
    [0.1, true],
    [0.5, false],
  ]);
});

describe('the air of a file', () => {
  const rows = (more: Record<string, string>[]) =>
    more.map((row, i) => ({ time: `2026-06-21 ${10 + i}:00`, 'cloud %': '40', ...row }));
  it('is taken along in its units, rain added up and the rest averaged within an hour', () => {
    const { hours, notes } = hoursFromRows(
      [
        {
          time: '2026-06-21 10:00',
          'cloud %': '40',
          'temperature °F': '68',
          humidity: '50 %',
          'wind km/h': '18',
          rain: '0,2',
        },
        {
          time: '2026-06-21 10:30',
          'cloud %': '60',
          'temperature °F': '77',
          humidity: '60 %',
          'wind km/h': '18',
          rain: '0,3',
        },
      ],
      'UTC',
    );
    expect(hours).toHaveLength(1);
    expect(hours[0]!.air!.airC).toBeCloseTo(22.5, 6);
    expect(hours[0]!.air!.humidityPercent).toBeCloseTo(55, 6);
    expect(hours[0]!.air!.windMs).toBeCloseTo(5, 6);
    expect(hours[0]!.air!.rainMm).toBeCloseTo(0.5, 6);
    expect(notes.join(' ')).toMatch(/temperature °F.*coats go by it/);
  });
  it('may be left out, here and there or altogether', () => {
    const { hours } = hoursFromRows(rows([{ temp: '20' }, { temp: '' }]), 'UTC');
    expect(hours.map(({ air }) => air)).toEqual([{ airC: 20 }, undefined]);
    expect(hoursFromRows(rows([{}]), 'UTC').hours[0]!.air).toBeUndefined();
  });
  it('is refused where it cannot be, with its line and column', () => {
    expect(() => hoursFromRows(rows([{ humidity: '140' }]), 'UTC')).toThrow(
      /line 2: 140 under “humidity” is not between 0 and 100/,
    );
    expect(() => hoursFromRows(rows([{ temp: 'warm' }]), 'UTC')).toThrow(/“warm” under “temp” is not a number/);
  });
});
