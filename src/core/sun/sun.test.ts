import fc from 'fast-check';
import { sunAndUv, sunDay, sunDose, sunOver } from './day';
import { sunPosition } from './position';
import { ozoneAt } from './ozone';
import { cloudTransmission, diffuseShare, uvIndexClear } from './uvIndex';

const PORT = { latitude: 14.6, longitude: -30.2 };

describe('published values', () => {
  it('UV index', () => {
    expect(uvIndexClear(60)).toBeCloseTo(8.83, 2);
    expect(uvIndexClear(30, 320, 500) * cloudTransmission(0.5)).toBeCloseTo(2.06, 2);
  });

  it('ozone by latitude and day: most in the northern spring, least over the tropics, never under 260 DU', () => {
    const at = (latitude: number, date: string) => ozoneAt(latitude, 15, new Date(`${date}T12:00:00Z`));
    expect(at(60, '2026-04-01')).toBeGreaterThan(at(60, '2026-10-01') + 50);
    expect(at(-45, '2026-10-01')).toBeGreaterThan(at(-45, '2026-04-01') + 25);
    for (const date of ['2026-01-15', '2026-04-15', '2026-07-15', '2026-10-15'])
      for (let latitude = -90; latitude <= 90; latitude += 5) {
        expect(at(latitude, date)).toBeGreaterThanOrEqual(260);
        expect(at(latitude, date)).toBeLessThan(460);
      }
    // By the formula of the paper, by hand: 235 + (150 + 40 sin(0.9865 (172 − 30)) + 20 sin(3 (15 + 20))) sin²(1.28 · 50).
    expect(at(50, '2026-06-21')).toBeCloseTo(235 + (150 + 40 * 0.6421 + 20 * 0.9659) * 0.8078, 0);
  });

  it('a place counts with its own ozone where it was stated, else with that of latitude and day', () => {
    const [time, place] = [new Date('2026-04-01T11:00:00Z'), { latitude: 60, longitude: 15 }];
    const clear = (ozoneDU?: number) => sunAndUv({ ...place, ...(ozoneDU && { ozoneDU }) }, time).uvIndexClear;
    expect(clear()).toBeCloseTo(clear(ozoneAt(60, 15, time)), 9);
    expect(clear()).toBeLessThan(0.75 * clear(300));
  });

  it('a low sun, or a covered one, sends its ultraviolet from the whole sky', () => {
    expect(diffuseShare(60, 0)).toBeCloseTo(0.5, 2);
    expect(diffuseShare(30, 0)).toBeCloseTo(0.7, 2);
    expect(diffuseShare(15, 0)).toBeGreaterThan(0.88);
    expect([diffuseShare(60, 1), diffuseShare(0, 0), diffuseShare(-5, 0)]).toEqual([1, 1, 1]);
    for (let h = 1; h < 90; h++) expect(diffuseShare(h + 1, 0.3)).toBeLessThan(diffuseShare(h, 0.3));
  });

  it('a closed sky lets through between 30 and 50 % of the ultraviolet', () => {
    expect(cloudTransmission(1)).toBeGreaterThan(0.3);
    expect(cloudTransmission(1)).toBeLessThan(0.5);
    expect(cloudTransmission(0)).toBe(1);
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

describe('a sky that is asked for again', () => {
  const HALF_MINUTE = 30_000;
  const stated = { ...PORT, altitudeM: 10, ozoneDU: 300, hazeShare: 0.1 };
  /** Each differs from the others in one thing. */
  const places = Object.keys(stated).map((name) => ({ ...stated, [name]: 0.2 }));

  it('is that of its place, its instant and its clouds, each time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 200 }),
        fc.constantFrom(0, 1, HALF_MINUTE),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (step, beside, cloud) => {
          const time = new Date(Date.UTC(2026, 2, 21, 6) + step * 5 * 60_000 + beside);
          for (const place of [...places, ...places])
            expect(sunOver(place)(time, cloud)).toEqual(sunAndUv(place, time, cloud));
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
