import fc from 'fast-check';
import { cloudAt, type CloudHour } from './sessions';

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
