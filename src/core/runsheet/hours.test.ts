import { bellTime, everyDay, hoursFrom, hoursOfDays, hoursWords, WEEKDAYS } from './hours';

const EVENINGS = WEEKDAYS.map((_, i) => (i < 5 ? { fromH: 17.5, toH: 21 } : i === 5 ? { fromH: 9, toH: 18 } : null));
const at = (iso: string) => new Date(iso);

describe('hours as they are written', () => {
  it.each([
    ['17:30 to 21', { fromH: 17.5, toH: 21 }],
    ['9-18', { fromH: 9, toH: 18 }],
    ['9.15 – 12:45', { fromH: 9.25, toH: 12.75 }],
    ['8h until 24', { fromH: 8, toH: 24 }],
    ['  ', null],
    ['18 to 9', undefined],
    ['25 to 26', undefined],
    ['all day', undefined],
    ['9 to 12 to 15', undefined],
  ])('%s', (text, hours) => expect(hoursFrom(text)).toEqual(hours));

  it('come back as they were typed', () => {
    for (const text of ['17:30 to 21:00', '9:00 to 18:00']) expect(hoursWords(hoursFrom(text)!)).toBe(text);
    expect(hoursWords(null)).toBe('');
  });
});

describe('the coming hours', () => {
  const iso = (spans: { from: Date; to: Date }[]) =>
    spans.map(({ from, to }) => `${from.toISOString().slice(5, 16)} ${to.toISOString().slice(5, 16)}`);

  it('go by the weekday, a day off left out', () => {
    // 26 June 2026 is a Friday.
    expect(iso(hoursOfDays(at('2026-06-26T16:00:00Z'), 'UTC', EVENINGS, 4))).toEqual([
      '06-26T17:30 06-26T21:00',
      '06-27T09:00 06-27T18:00',
      '06-29T17:30 06-29T21:00',
    ]);
  });

  it('are those of whose hours are asked for, where, from when and for how long', () => {
    const friday = at('2026-06-26T16:00:00Z');
    const first = (...asked: Parameters<typeof hoursOfDays>) => iso(hoursOfDays(...asked));
    for (const again of [1, 2]) {
      expect({ again, of: first(friday, 'UTC', EVENINGS, 1) }).toEqual({ again, of: ['06-26T17:30 06-26T21:00'] });
      expect(first(friday, 'UTC', everyDay(9, 20), 1)).toEqual(['06-26T16:00 06-26T20:00']);
      expect(first(friday, 'Europe/Stockholm', EVENINGS, 1)).toEqual(['06-26T16:00 06-26T19:00']);
      expect(first(at('2026-06-26T18:00:00Z'), 'UTC', EVENINGS, 1)).toEqual(['06-26T18:00 06-26T21:00']);
      expect(first(friday, 'UTC', EVENINGS, 2)).toHaveLength(2);
    }
  });

  it('stay at the hours of the clock over its change', () => {
    expect(iso(hoursOfDays(at('2026-03-28T12:00:00Z'), 'Europe/Stockholm', everyDay(9, 18.5), 3))).toEqual([
      '03-28T12:00 03-28T17:30',
      '03-29T07:00 03-29T16:30',
      '03-30T07:00 03-30T16:30',
    ]);
    expect(iso(hoursOfDays(at('2026-03-28T20:00:00Z'), 'Europe/Stockholm', everyDay(9, 18), 2))).toEqual([
      '03-29T07:00 03-29T16:00',
    ]);
  });
});

describe('a bell', () => {
  const rings = (time: string, since: string) => bellTime(at(time), at(since), 'UTC', EVENINGS).toISOString();

  it('rings in the hours, and waits for them in the night', () => {
    expect(rings('2026-06-26T18:00:00Z', '2026-06-26T08:00:00Z')).toBe('2026-06-26T18:00:00.000Z');
    expect(rings('2026-06-27T02:00:00Z', '2026-06-26T20:00:00Z')).toBe('2026-06-27T09:00:00.000Z');
    expect(rings('2026-06-28T02:00:00Z', '2026-06-27T17:00:00Z')).toBe('2026-06-29T17:30:00.000Z');
  });

  it('rings late for whoever began it late', () => {
    expect(rings('2026-06-26T23:30:00Z', '2026-06-26T22:00:00Z')).toBe('2026-06-26T23:30:00.000Z');
    expect(rings('2026-06-27T00:30:00Z', '2026-06-26T22:00:00Z')).toBe('2026-06-27T09:00:00.000Z');
  });

  it('rings at its time where nobody gave hours', () => {
    const never = WEEKDAYS.map(() => null);
    expect(bellTime(at('2026-06-27T02:00:00Z'), at('2026-06-26T02:00:00Z'), 'UTC', never).toISOString()).toBe(
      '2026-06-27T02:00:00.000Z',
    );
  });
});
