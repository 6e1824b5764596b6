import fc from 'fast-check';
import { fadeSoFar, measurementAfter, waitsForMeasuring } from './after';

const at = (hour: number) => new Date(Date.UTC(2026, 5, 1, hour)).toISOString();
const session = (id: string, from: number, to: number | null, dose = 5) => ({
  id,
  startedAt: at(from),
  endedAt: to === null ? null : at(to),
  dose,
});
const look = (hour: number) => ({ measuredAt: at(hour), hour });

describe('what a session came to', () => {
  it('two sessions and one measurement: it belongs to the second', () => {
    const after = measurementAfter([session('a', 8, 10), session('b', 11, 13)], [look(14)]);
    expect([...after.keys()]).toEqual(['b']);
  });

  it('a second look the same day: the newest counts', () => {
    expect(measurementAfter([session('a', 8, 10)], [look(11), look(12)]).get('a')!.hour).toBe(12);
    expect(measurementAfter([session('a', 8, 10)], [look(12), look(11)]).get('a')!.hour).toBe(12);
  });

  it('a look without a session, and a look while the next one runs', () => {
    expect(measurementAfter([session('a', 8, 10)], [look(7)]).size).toBe(0);
    expect(measurementAfter([session('a', 8, 10), session('b', 11, 15)], [look(12)]).get('a')!.hour).toBe(12);
  });

  it('the last that ended waits until a picture was taken since; one that runs does not', () => {
    expect(waitsForMeasuring([session('a', 8, 10), session('b', 11, null)], [look(9)])?.id).toBe('a');
    expect(waitsForMeasuring([session('a', 8, 10)], [look(10)])).toBeNull();
    expect(waitsForMeasuring([session('a', 8, 10), session('b', 11, 12)], [look(10.5)])?.id).toBe('b');
    expect(waitsForMeasuring([session('b', 11, null)], [])).toBeNull();
  });
});

describe('the fade so far', () => {
  it('begins with the last look before the first dose', () => {
    const fade = fadeSoFar([session('a', 8, 10, 4), session('b', 12, 14, 6)], [look(5), look(7), look(11), look(15)])!;
    expect(fade.start.hour).toBe(7);
    expect(fade.sessions.map(({ dose, after }) => [dose, after?.hour])).toEqual([
      [4, 11],
      [6, 15],
    ]);
  });

  it('where nothing was measured before, it begins with the first look and forgets the doses before it', () => {
    const fade = fadeSoFar(
      [session('a', 8, 10, 4), session('b', 11, 12, 5), session('c', 14, 16, 6)],
      [look(13), look(17)],
    )!;
    expect(fade.start.hour).toBe(13);
    expect(fade.sessions.map(({ dose, after }) => [dose, after?.hour])).toEqual([[6, 17]]);
    expect(fadeSoFar([session('a', 8, 10)], [])).toBeNull();
  });

  it('without a dose it stands at the newest look', () => {
    expect(fadeSoFar([], [look(5), look(9)])).toEqual({ start: look(9), sessions: [] });
  });

  it('is the same in whatever order things were typed', () => {
    const hours = fc.uniqueArray(fc.integer({ min: 0, max: 400 }), { minLength: 4, maxLength: 14 });
    fc.assert(
      fc.property(hours, fc.integer({ min: 0, max: 3 }), fc.infiniteStream(fc.nat(1000)), (given, count, stream) => {
        const sorted = [...given].sort((a, b) => a - b);
        const n = Math.min(count, sorted.length >> 1);
        const sessions = Array.from({ length: n }, (_, i) =>
          session(`s${i}`, sorted[2 * i]!, sorted[2 * i + 1]!, i + 1),
        );
        const looks = sorted.map((hour) => look(hour + 0.25));
        const shuffled = <T>(of: readonly T[]): T[] => {
          const keyed = of.map((one) => ({ one, key: stream.next().value as number }));
          return keyed.sort((a, b) => a.key - b.key).map(({ one }) => one);
        };
        expect(fadeSoFar(shuffled(sessions), shuffled(looks))).toEqual(fadeSoFar(sessions, looks));
      }),
    );
  });
});
