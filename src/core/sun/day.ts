import { lightPast, skyShare, type Obstacle } from './horizon';
import { remembered } from '../remembered';
import { sunPosition } from './position';
import { ozoneAt } from './ozone';
import { cloudTransmission, diffuseShare, uvIndexClear } from './uvIndex';

export interface Place {
  latitude: number;
  longitude: number;
  altitudeM?: number;
  /** As it was stated; else that of the latitude and the day. */
  ozoneDU?: number;
  /** Share of a clear sky’s ultraviolet that haze takes; none where it is not given. */
  hazeShare?: number;
}

/** Where no sun is asked for, a place is asked for all the same. */
export const NOWHERE: Place = { latitude: 0, longitude: 0 };

export interface SunSample {
  /** ISO 8601, UTC. */
  time: string;
  elevationDeg: number;
  azimuthDeg: number;
  uvIndexClear: number;
  uvIndex: number;
}

const MINUTE_MS = 60_000;

type ClearSky = Omit<SunSample, 'uvIndex'>;

function clearSky(place: Place, time: Date): ClearSky {
  const { elevationDeg, azimuthDeg } = sunPosition(time, place.latitude, place.longitude);
  const ozoneDU = place.ozoneDU ?? ozoneAt(place.latitude, place.longitude, time);
  const clear = (1 - (place.hazeShare ?? 0)) * uvIndexClear(elevationDeg, ozoneDU, place.altitudeM ?? 0);
  return { time: time.toISOString(), elevationDeg, azimuthDeg, uvIndexClear: clear };
}

/** Field by field: a copy of all at once takes longer than the sum, and this is made thousands of times for a page. */
const under = (
  { time, elevationDeg, azimuthDeg, uvIndexClear: clear }: ClearSky,
  cloudFraction: number,
): SunSample => ({
  time,
  elevationDeg,
  azimuthDeg,
  uvIndexClear: clear,
  uvIndex: clear * cloudTransmission(cloudFraction),
});

/** Sun and UV index at one instant. `cloudFraction` 0 to 1. */
export const sunAndUv = (place: Place, time: Date, cloudFraction = 0): SunSample =>
  under(clearSky(place, time), cloudFraction);

/** Places whose sky is kept, and how many instants of each: a fortnight of quarters, and some days by ten minutes. */
const [PLACES, INSTANTS] = [8, 5000];

/**
 * Sun and UV index over a place at many instants. A workshop asks for the same ones again and again, those of somebody's
 * hours and of a day's course: those lie at half minutes, and of these the clear sky is kept.
 */
export const sunOver = remembered(
  PLACES,
  ({ latitude, longitude, altitudeM, ozoneDU, hazeShare }: Place) =>
    [latitude, longitude, altitudeM, ozoneDU, hazeShare].join(' '),
  (place) => {
    const atHalfMinute = remembered(
      INSTANTS,
      (time: Date) => time.getTime(),
      (time) => clearSky(place, time),
    );
    return (time: Date, cloudFraction = 0): SunSample =>
      under(time.getTime() % (MINUTE_MS / 2) === 0 ? atHalfMinute(time) : clearSky(place, time), cloudFraction);
  },
);

/** The covered share of the sky, 0 to 1: the same all day, or by the time. */
type Cloud = number | ((at: Date) => number);

/**
 * The sun's course over a stretch of time.
 *
 * @param stepMin minutes between samples
 * @returns samples from `from` to `to`, both included
 */
function sunCourse(place: Place, from: Date, to: Date, stepMin: number, cloud: Cloud): SunSample[] {
  const sun = sunOver(place);
  const samples: SunSample[] = [];
  for (let t = from.getTime(); t <= to.getTime(); t += stepMin * MINUTE_MS) {
    const time = new Date(t);
    samples.push(sun(time, typeof cloud === 'number' ? cloud : cloud(time)));
  }
  return samples;
}

/**
 * Dose of sunlight: ∫ UV index × transmission dt, by Simpson's rule in steps of about five minutes.
 *
 * @param start first instant
 * @param durationMin minutes, 0 or more
 * @param transmission share of UV that film, bag or lid lets through, 0 to 1
 * @param shading what stands in the sun's way
 * @returns UV-index-hours (UVI·h)
 */
export function sunDose(
  place: Place,
  start: Date,
  durationMin: number,
  transmission: number,
  cloudFraction = 0,
  shading: readonly Obstacle[] = [],
): number {
  if (durationMin <= 0) return 0;
  const pairs = Math.max(1, Math.ceil(durationMin / 10));
  const stepMs = (durationMin * MINUTE_MS) / (2 * pairs);
  const sky = skyShare(shading);
  let weighted = 0;
  for (let i = 0; i <= 2 * pairs; i++) {
    const weight = i === 0 || i === 2 * pairs ? 1 : i % 2 === 1 ? 4 : 2;
    const sun = sunAndUv(place, new Date(start.getTime() + i * stepMs), cloudFraction);
    weighted +=
      weight *
      sun.uvIndex *
      (shading.length === 0 ? 1 : lightPast(shading, sky, sun, diffuseShare(sun.elevationDeg, cloudFraction)));
  }
  return (weighted * transmission * stepMs) / 3 / 3_600_000;
}

export interface SunDay {
  samples: SunSample[];
  highestElevationDeg: number;
  highestUvIndex: number;
  /** `null` where the sun does not cross the horizon that day. */
  rises: string | null;
  sets: string | null;
  kind: 'rises and sets' | 'midnight sun' | 'polar night';
}

/**
 * One day of sun from its first instant (midnight of the workshop's own zone, as the caller knows it).
 *
 * @param hours length of the day, 24 save where the clocks change
 */
export function sunDay(place: Place, dayStart: Date, hours = 24, cloud: Cloud = 0): SunDay {
  const samples = sunCourse(place, dayStart, new Date(dayStart.getTime() + hours * 3_600_000), 10, cloud);
  const up = samples.map((sample) => sample.elevationDeg > 0);
  const crossing = (rising: boolean) => {
    const i = up.findIndex((now, k) => k > 0 && now === rising && up[k - 1] === !rising);
    return i < 0 ? null : samples[i]!.time;
  };
  const kind = up.every(Boolean) ? 'midnight sun' : up.some(Boolean) ? 'rises and sets' : 'polar night';
  return {
    samples,
    highestElevationDeg: Math.max(...samples.map((s) => s.elevationDeg)),
    highestUvIndex: Math.max(...samples.map((s) => s.uvIndex)),
    rises: crossing(true),
    sets: crossing(false),
    kind,
  };
}
