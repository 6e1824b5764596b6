import { assumed } from '../assumptions/assumptions';
import { dewPoint } from './dewPoint';

const HOUR_MS = 3_600_000;

/** What the sheet of a paint, a primer or a wax asks for. Hours are from the beginning of a coat. */
export interface PaintSheet {
  lowestC: number;
  highestC: number;
  highestHumidityPercent: number;
  /** Dust settles on it and damp clouds it for so long. */
  touchH: number;
  /** The next coat may follow from here on. */
  soonestH: number;
  /** Later than this it lifts the coat under it; `null` where the sheet knows no such time. */
  latestH: number | null;
  /** From here on a coat may follow again, keyed first; `null` where it never may without starting anew. */
  againFromH: number | null;
  /** It bears handling, wax and the rebuild. */
  throughH: number;
  /** The coat under it is keyed before each next one. */
  keyed: boolean;
}

/** Taken where nobody has the sheet: a day between coats, keyed, and a week until it bears. */
export const NO_SHEET: PaintSheet = {
  lowestC: 12,
  highestC: 28,
  highestHumidityPercent: 70,
  touchH: 4,
  soonestH: 24,
  latestH: null,
  againFromH: null,
  throughH: 168,
  keyed: true,
};

export const COAT_WAYS = ['sprayed', 'brushed'] as const;
export type CoatWay = (typeof COAT_WAYS)[number];

/** Share of the paint that lands on the piece. */
export const TRANSFER: Record<CoatWay, number> = { sprayed: 0.6, brushed: 0.9 };

/** The air over a surface for an hour. */
export interface AirHour {
  at: Date;
  airC: number;
  surfaceC: number;
  humidityPercent: number;
  windMs: number;
  rainMm: number;
}

/** Why a coat may not be laid, with what it is and what it may be. */
export type CoatFault =
  | { kind: 'frost'; is: number; limit: number }
  | { kind: 'cold'; is: number; limit: number }
  | { kind: 'warm'; is: number; limit: number }
  | { kind: 'damp'; is: number; limit: number }
  | { kind: 'dew'; is: number; limit: number }
  | { kind: 'wind'; is: number; limit: number }
  | { kind: 'rain'; is: number; limit: number };

/** How far a surface is above the dew point of its air, °C. */
export const dewMargin = ({ airC, surfaceC, humidityPercent }: Omit<AirHour, 'at' | 'windMs' | 'rainMm'>): number =>
  surfaceC - dewPoint({ temperatureC: airC, relativeHumidityPercent: Math.max(1, humidityPercent) }).dewPointC;

/**
 * What speaks against a coat in this air; nothing where it may be laid.
 *
 * @param inside no wind and no rain come there
 */
export function coatFaults(air: AirHour, sheet: PaintSheet, way: CoatWay, inside: boolean): CoatFault[] {
  const faults: CoatFault[] = [];
  const { surfaceC, humidityPercent, windMs, rainMm } = air;
  if (surfaceC <= 0) faults.push({ kind: 'frost', is: surfaceC, limit: 0 });
  else if (surfaceC < sheet.lowestC) faults.push({ kind: 'cold', is: surfaceC, limit: sheet.lowestC });
  if (surfaceC > sheet.highestC) faults.push({ kind: 'warm', is: surfaceC, limit: sheet.highestC });
  if (humidityPercent > sheet.highestHumidityPercent)
    faults.push({ kind: 'damp', is: humidityPercent, limit: sheet.highestHumidityPercent });
  const [margin, least] = [dewMargin(air), assumed('above the dew point')];
  if (margin < least) faults.push({ kind: 'dew', is: margin, limit: least });
  if (inside) return faults;
  const most = assumed(way === 'sprayed' ? 'wind to spray in' : 'wind to brush in');
  if (windMs > most) faults.push({ kind: 'wind', is: windMs, limit: most });
  if (rainMm > 0) faults.push({ kind: 'rain', is: rainMm, limit: 0 });
  return faults;
}

/** Whether so many hours after a coat began the next may follow. */
export type RecoatState = 'too soon' | 'may follow' | 'bad time' | 'after keying' | 'start anew';

/**
 * How the next coat stands so many hours after the last.
 *
 * @example
 * recoatState({ ...NO_SHEET, soonestH: 0.25, latestH: 1, againFromH: 48 }, 5); // 'bad time'
 */
export function recoatState(
  { soonestH, latestH, againFromH }: Pick<PaintSheet, 'soonestH' | 'latestH' | 'againFromH'>,
  hours: number,
): RecoatState {
  if (hours < soonestH) return 'too soon';
  if (latestH === null || hours <= latestH) return 'may follow';
  if (againFromH === null) return 'start anew';
  return hours < againFromH ? 'bad time' : 'after keying';
}

/** One coat that is to be laid. */
export interface CoatToLay {
  name: string;
  sheet: PaintSheet;
}

interface PlannedCoat {
  name: string;
  at: Date;
  /** Its surface is keyed first, as the hours before it ask. */
  keyed: boolean;
}

export interface CoatPlan {
  coats: PlannedCoat[];
  /** When the last bears; `null` where not all find their hour. */
  throughAt: Date | null;
  /** The first coat that finds no hour, and what stands against most hours that it could have had. */
  misses: { name: string; most: CoatFault['kind'] | 'hands' | 'recoat' } | null;
}

/**
 * Lays coats into the hours that allow them so that the last is laid as early as can be, and the ones before it as late
 * as that lets them. A coat needs good air while it is laid and until dust no longer settles on it, hands while it is
 * laid, and to keep to the recoat window of the coat under it.
 *
 * @param hours one after the other, without gaps
 * @param last when the coat before these was laid, and its sheet; `null` for bare ground
 * @param hands whether somebody is there in an hour
 */
export function planCoats(
  coats: readonly CoatToLay[],
  hours: readonly AirHour[],
  {
    way,
    inside,
    last = null,
    hands = () => true,
  }: {
    way: CoatWay;
    inside: boolean;
    last?: { at: Date; sheet: PaintSheet } | null;
    hands?: (at: Date) => boolean;
  },
): CoatPlan {
  const faultsAt = coats.map(({ sheet }) => hours.map((hour) => coatFaults(hour, sheet, way, inside)));
  const isGood = (coat: number, h: number) => {
    const dry = Math.max(1, Math.ceil(coats[coat]!.sheet.touchH));
    if (h + dry > hours.length || !hands(hours[h]!.at)) return false;
    // While it dries wind only brings dust, which a spray minds less than its mist does.
    return faultsAt[coat]!.slice(h, h + dry).every((faults, k) => faults.every(({ kind }) => k > 0 && kind === 'wind'));
  };
  const follows = (sheet: PaintSheet, from: Date, to: Date): 'no' | 'plain' | 'keyed' => {
    const state = recoatState(sheet, (to.getTime() - from.getTime()) / HOUR_MS);
    if (state === 'may follow') return sheet.keyed ? 'keyed' : 'plain';
    return state === 'after keying' ? 'keyed' : 'no';
  };
  // For each coat the hours that it can have, with the latest hour of the coat before that lets it.
  const ways: (number | null)[][] = [];
  for (const [i] of coats.entries()) {
    ways.push(
      hours.map((hour, h) => {
        if (!isGood(i, h)) return null;
        if (i === 0) return last === null || follows(last.sheet, last.at, hour.at) !== 'no' ? -1 : null;
        for (let before = h - 1; before >= 0; before--)
          if (ways[i - 1]![before] !== null && follows(coats[i - 1]!.sheet, hours[before]!.at, hour.at) !== 'no')
            return before;
        return null;
      }),
    );
  }
  const misses = ways.findIndex((row) => row.every((one) => one === null));
  const reached = misses < 0 ? coats.length : misses;
  const picked: number[] = [];
  for (let i = reached - 1; i >= 0; i--) {
    picked.unshift(i === reached - 1 ? ways[i]!.findIndex((one) => one !== null) : ways[i + 1]![picked[0]!]!);
  }
  const laid = picked.map((h, i): PlannedCoat => {
    const under = i === 0 ? last : { at: hours[picked[i - 1]!]!.at, sheet: coats[i - 1]!.sheet };
    return {
      ...{ name: coats[i]!.name, at: hours[h]!.at },
      keyed: under !== null && follows(under.sheet, under.at, hours[h]!.at) === 'keyed',
    };
  });
  const end = laid.at(-1);
  return {
    coats: laid,
    throughAt: misses < 0 && end ? new Date(end.at.getTime() + coats.at(-1)!.sheet.throughH * HOUR_MS) : null,
    misses: misses < 0 ? null : { name: coats[misses]!.name, most: mostAgainst(faultsAt[misses]!, hours, hands) },
  };
}

/** What stands against most hours. */
function mostAgainst(
  faults: readonly (readonly CoatFault[])[],
  hours: readonly AirHour[],
  hands: (at: Date) => boolean,
): NonNullable<CoatPlan['misses']>['most'] {
  const counts = new Map<CoatFault['kind'] | 'hands' | 'recoat', number>();
  faults.forEach((here, h) => {
    const kinds =
      here.length > 0 ? here.map(({ kind }) => kind) : ([hands(hours[h]!.at) ? 'recoat' : 'hands'] as const);
    for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  });
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 'recoat';
}

/** What a missed window asks for: when, and whether the coat is keyed or taken off first. */
export type Missed =
  | { kind: 'in time'; untilH: number | null }
  | { kind: 'wait'; fromH: number }
  | { kind: 'key it' }
  | { kind: 'start anew' };

/** What to do now, so many hours after a coat was laid. */
export function whatNow(sheet: PaintSheet, hours: number): Missed {
  switch (recoatState(sheet, hours)) {
    case 'too soon':
      return { kind: 'wait', fromH: sheet.soonestH - hours };
    case 'may follow':
      return { kind: 'in time', untilH: sheet.latestH === null ? null : sheet.latestH - hours };
    case 'bad time':
      return { kind: 'wait', fromH: sheet.againFromH! - hours };
    case 'after keying':
      return { kind: 'key it' };
    case 'start anew':
      return { kind: 'start anew' };
  }
}
