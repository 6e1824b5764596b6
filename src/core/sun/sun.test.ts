import fc from 'fast-check';
import { sunAndUv, sunDay, sunDose } from './day';
import { sunPosition } from './position';
import { cloudTransmission, uvIndexClear } from './uvIndex';

const PORT = { latitude: 14.6, longitude: -30.2 };

describe('published values', () => {
  it('UV index', () => {
    expect(uvIndexClear(60)).toBeCloseTo(8.83, 2);
    expect(uvIndexClear(30, 320, 500) * cloudTransmission(0.5)).toBeCloseTo(2.06, 2);
  });

  it('sun position of 2003-10-17 at 39.742476, −105.1786', () => {
    const { elevationDeg, azimuthDeg } = sunPosition(new Date('2003-10-17T12:30:30-07:00'), 39.742476, -105.1786);
    expect(elevationDeg).toBeCloseTo(39.89, 2);
    expect(azimuthDeg).toBeCloseTo(194.34, 2);
  });
});

describe('days', () => {
  it('polar night, midnight sun and an ordinary day are told apart', () => {
    const north = { latitude: 78, longitude: 15 };
    expect(sunDay(north, new Date('2026-12-21T00:00:00Z'))).toMatchObject({
      kind: 'polar night',
      rises: null,
      sets: null,
      highestUvIndex: 0,
    });
    expect(sunDay(north, new Date('2026-06-21T00:00:00Z'))).toMatchObject({
      kind: 'midnight sun',
      rises: null,
      sets: null,
    });
    const day = sunDay(PORT, new Date('2026-03-21T02:00:00Z'));
    expect(day.kind).toBe('rises and sets');
    expect(Date.parse(day.sets!) - Date.parse(day.rises!)).toBeGreaterThan(11.5 * 3_600_000);
  });

  it('there is no UV at night, and never less than nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true }),
        (latitude, cloud, time) => {
          const { elevationDeg, uvIndex, uvIndexClear: clear } = sunAndUv({ latitude, longitude: 0 }, time, cloud);
          expect(uvIndex).toBeGreaterThanOrEqual(0);
          expect(uvIndex).toBeLessThanOrEqual(clear);
          if (elevationDeg <= 0) expect(uvIndex).toBe(0);
        },
      ),
    );
  });
});

describe('dose', () => {
  const noon = new Date('2026-03-21T14:00:00Z');

  it('adds up over parts of a session', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 300 }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (minutes, share) => {
          const first = Math.round(minutes * share);
          const parts =
            sunDose(PORT, noon, first, 0.9) +
            sunDose(PORT, new Date(noon.getTime() + first * 60_000), minutes - first, 0.9);
          expect(parts).toBeCloseTo(sunDose(PORT, noon, minutes, 0.9), 3);
        },
      ),
    );
  });

  it('is the UV index times the hours where that hardly changes, less what the cover keeps', () => {
    const { uvIndex } = sunAndUv(PORT, new Date(noon.getTime() + 5 * 60_000));
    expect(sunDose(PORT, noon, 10, 1)).toBeCloseTo(uvIndex / 6, 2);
    expect(sunDose(PORT, noon, 60, 0.3)).toBeCloseTo(0.3 * sunDose(PORT, noon, 60, 1), 9);
    expect(sunDose(PORT, noon, 0, 1)).toBe(0);
  });
});
