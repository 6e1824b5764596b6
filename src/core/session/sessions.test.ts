import fc from 'fast-check';
import { cloudAt, openLight, placeSessions, type CloudHour } from './sessions';

const HOUR_MS = 3_600_000;
const START = Date.parse('2026-06-21T00:00:00Z');

it('the cloud of an instant is that of the first hour that it lies in, however the hours begin; half the sky where nobody knows', () => {
  const hour = fc.record({
    at: fc.integer({ min: 0, max: 72 }).chain((n) => fc.constantFrom(0, 0, 0, 17).map((min) => n * 60 + min)),
    cloud: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(hour, { maxLength: 40 }), fc.integer({ min: -120, max: 75 * 60 }), (given, minute) => {
      const clouds = given.map(({ at, cloud }): CloudHour => ({ at: new Date(START + at * 60_000), cloud }));
      const time = new Date(START + minute * 60_000);
      const first = clouds.find(({ at }) => time >= at && time.getTime() < at.getTime() + HOUR_MS);
      expect(cloudAt(clouds, time)).toBe(first?.cloud ?? 0.5);
    }),
  );
});

it('sessions that share the light of their hours are those that each would have found alone', () => {
  const hours = Array.from({ length: 5 }, (_, day) => ({
    from: new Date(START + (24 * day + 8) * HOUR_MS),
    to: new Date(START + (24 * day + 18) * HOUR_MS),
  }));
  const clouds = Array.from({ length: 120 }, (_, i) => ({
    at: new Date(START + i * HOUR_MS),
    cloud: ((i * 7) % 10) / 10,
  }));
  const sun = { place: { latitude: 55.9, longitude: 10.1 }, shading: [], hours, clouds };
  const light = openLight(sun);
  for (const transmission of [1, 0.85, 0.3])
    for (const doseToGo of [3, 20, 400]) {
      const asked = { ...sun, transmission, doseToGo, longestMin: 480 };
      const alone = placeSessions(asked);
      expect(placeSessions({ ...asked, light })).toEqual(alone);
      expect(alone.days).toHaveLength(5);
    }
  const [open, covered] = [1, 0.3].map((transmission) =>
    placeSessions({ ...sun, transmission, doseToGo: 400, longestMin: 480 }),
  );
  expect(covered!.dose).toBeCloseTo(0.3 * open!.dose, 9);
});
