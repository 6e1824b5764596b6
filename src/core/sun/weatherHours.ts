import { addHours } from 'date-fns';
import { TZDate } from '@date-fns/tz';
import { Refusal } from '../refusal';

const HOUR_MS = 3_600_000;

/** An hour of sky, from a file or from a look: the instant that it begins, and the covered share, 0 to 1. */
export interface SkyHour {
  at: Date;
  cloud: number;
  /** What the file says of the air, as far as it says it. */
  air?: KnownAir;
}

/** Of the air in an hour what is known: °C, %, m/s, mm. */
interface KnownAir {
  airC?: number;
  humidityPercent?: number;
  windMs?: number;
  rainMm?: number;
}

export interface HoursTaken {
  hours: SkyHour[];
  /** What was understood in another way than it was written, and what is missing, in words. */
  notes: string[];
}

const TIME_NAMES = /^(time|hour|when|date|date ?time|timestamp)$/i;
const CLOUD_NAMES = /^(cloud|clouds|cloud ?cover|cloudiness|cover|sky)\b/i;
/** Units of cloud: the parts of the whole sky that a number counts. */
const UNITS = { percent: 100, okta: 8, share: 1 } as const;
type Unit = keyof typeof UNITS;

/** Columns of the air: how they are named, what is taken for possible, and what a header says of another unit. */
const AIR_COLUMNS: Record<
  keyof KnownAir,
  { names: RegExp; least: number; most: number; inUnit: (value: number, header: string) => number }
> = {
  airC: {
    names: /^(air|temp|temperature)\b/i,
    ...{ least: -60, most: 60 },
    inUnit: (value, header) => (/°?\bF\b|fahrenheit/i.test(header) ? ((value - 32) * 5) / 9 : value),
  },
  humidityPercent: { names: /^(humidity|relative humidity|rh)\b/i, least: 0, most: 100, inUnit: (value) => value },
  windMs: {
    names: /^wind\b/i,
    ...{ least: 0, most: 80 },
    inUnit: (value, header) => (/km\/?h/i.test(header) ? value / 3.6 : /mph/i.test(header) ? value * 0.44704 : value),
  },
  rainMm: {
    names: /^(rain|precipitation)\b/i,
    ...{ least: 0, most: 200 },
    inUnit: (value, header) => (/\binch|\bin\b/i.test(header) ? value * 25.4 : value),
  },
};
const AIR_NAMES = Object.keys(AIR_COLUMNS) as (keyof KnownAir)[];

function unitOf(header: string, cells: readonly string[]): Unit {
  if (/%|percent/i.test(header)) return 'percent';
  if (/okta|eighth/i.test(header)) return 'okta';
  if (/share|fraction/i.test(header)) return 'share';
  if (cells.some((cell) => cell.includes('%'))) return 'percent';
  const numbers = cells.map((cell) => Number(cell.replace(',', '.'))).filter((value) => !Number.isNaN(value));
  const most = Math.max(...numbers);
  if (most > 8) return 'percent';
  if (most <= 1 && numbers.some((value) => value % 1 !== 0)) return 'share';
  throw new Refusal(
    'file',
    `It is not said what the cloud is counted in, and ${most} can be per cent or eighths. Name the column “cloud %”, “cloud okta” or “cloud share”.`,
  );
}

const WRITTEN = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d)(?::?(\d\d))?(?::\d\d(?:\.\d+)?)?\s*(Z|[+-]\d\d:?\d\d)?$/i;

interface ReadTime {
  at: Date;
  /** Minutes east of UTC that the file states; `null` where it states none. */
  offsetMin: number | null;
  /** The clock's hour does not exist that day. */
  skipped: boolean;
}

function timeOf(text: string, zone: string): ReadTime | null {
  const found = WRITTEN.exec(text.trim());
  if (!found) return null;
  const [year, month, day, hour, minute] = found.slice(1, 6).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
  ];
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 24 || minute > 59) return null;
  const offset = found[6];
  if (offset) {
    const sign = offset.startsWith('-') ? -1 : 1;
    const digits = offset.replace(/[^\d]/g, '');
    const offsetMin = /z/i.test(offset) ? 0 : sign * (60 * Number(digits.slice(0, 2)) + Number(digits.slice(2)));
    return {
      at: new Date(Date.UTC(year, month - 1, day, hour, minute) - offsetMin * 60_000),
      offsetMin,
      skipped: false,
    };
  }
  const local = new TZDate(year, month - 1, day, hour, minute, zone);
  return { at: new Date(local.getTime()), offsetMin: null, skipped: hour < 24 && local.getHours() !== hour };
}

const offsetAt = (at: Date, zone: string) => -new TZDate(at.getTime(), zone).getTimezoneOffset();
/** Whether the clock shows the same at both. */
const sameClock = (a: Date, b: Date, zone: string) =>
  a.getTime() + offsetAt(a, zone) * 60_000 === b.getTime() + offsetAt(b, zone) * 60_000;
const wordsOf = (minutes: number) =>
  `${minutes < 0 ? '−' : '+'}${String(Math.floor(Math.abs(minutes) / 60)).padStart(2, '0')}:${String(Math.abs(minutes) % 60).padStart(2, '0')}`;

/**
 * Hours of sky out of the rows of a file, by the names in its first line: a time and the cloud. Times with an offset
 * are instants; times without one are the workshop's clock, and where that is set back the repeated hour counts as the
 * later one. Rows within an hour are averaged.
 *
 * @param zone of the workshop
 * @throws Refusal with the lines that cannot be read and what would be right
 */
export function hoursFromRows(rows: readonly Record<string, string>[], zone: string): HoursTaken {
  const names = Object.keys(rows[0] ?? {});
  const [timeName, cloudName] = [
    names.find((name) => TIME_NAMES.test(name.trim())),
    names.find((name) => CLOUD_NAMES.test(name.trim())),
  ];
  if (!timeName || !cloudName)
    throw new Refusal(
      'file',
      `The first line has to name a column “time” and a column “cloud %”${names.length > 0 ? `; it names ${names.map((name) => `“${name}”`).join(', ')}` : ''}.`,
    );
  const unit = unitOf(
    cloudName,
    rows.map((row) => row[cloudName] ?? ''),
  );
  const airColumns = AIR_NAMES.flatMap((kind) => {
    const name = names.find((one) => AIR_COLUMNS[kind].names.test(one.trim()));
    return name === undefined ? [] : [{ kind, name }];
  });
  const notes: string[] = [];
  const wrong: string[] = [];
  const skipped: string[] = [];
  const offsets = new Set<number>();
  const sums = new Map<number, { sum: number; count: number; air: Map<keyof KnownAir, number[]> }>();
  let before = -Infinity;
  let repeated = 0;
  rows.forEach((row, i) => {
    const line = `line ${i + 2}`;
    const [written, cell] = [row[timeName] ?? '', (row[cloudName] ?? '').replace('%', '').trim()];
    const time = timeOf(written, zone);
    if (!time) return wrong.push(`${line}: “${written}” is not a time; write it like 2026-06-21 14:00`);
    if (cell === '') return;
    const cloud = Number(cell.replace(',', '.')) / UNITS[unit];
    if (Number.isNaN(cloud)) return wrong.push(`${line}: “${cell}” is not a number`);
    if (cloud < 0 || cloud > 1) return wrong.push(`${line}: ${cell} is not between 0 and ${UNITS[unit]}`);
    if (time.skipped) return skipped.push(written);
    let { at } = time;
    if (time.offsetMin !== null) offsets.add(time.offsetMin);
    else {
      // The clock's hour comes twice in the night it is set back: the first that still comes after the row before it.
      const twice = [addHours(at, -1), at, addHours(at, 1)].filter((one) => sameClock(one, at, zone));
      if (twice.length > 1) {
        at = twice.find((one) => one.getTime() > before) ?? at;
        if (at === twice[1]) repeated++;
      }
    }
    before = Math.max(before, at.getTime());
    const hour = Math.floor(at.getTime() / HOUR_MS) * HOUR_MS;
    const known = sums.get(hour) ?? { sum: 0, count: 0, air: new Map<keyof KnownAir, number[]>() };
    for (const { kind, name } of airColumns) {
      const written = (row[name] ?? '').replace(/[%°CF]/g, '').trim();
      if (written === '') continue;
      const { least, most, inUnit } = AIR_COLUMNS[kind];
      const value = inUnit(Number(written.replace(',', '.')), name);
      if (Number.isNaN(value)) wrong.push(`${line}: “${written}” under “${name}” is not a number`);
      else if (value < least || value > most)
        wrong.push(`${line}: ${written} under “${name}” is not between ${least} and ${most}`);
      else known.air.set(kind, [...(known.air.get(kind) ?? []), value]);
    }
    sums.set(hour, { sum: known.sum + cloud, count: known.count + 1, air: known.air });
  });
  if (wrong.length > 0)
    throw new Refusal(
      'file',
      `${wrong.slice(0, 8).join('; ')}${wrong.length > 8 ? `; and ${wrong.length - 8} more` : ''}. Nothing was taken in.`,
    );
  const hours = [...sums]
    .sort(([a], [b]) => a - b)
    .map(([at, { sum, count, air }]): SkyHour => ({
      ...{ at: new Date(at), cloud: sum / count },
      ...(air.size > 0 && {
        // Rain adds up, all else is as it was at the middle.
        air: Object.fromEntries(
          [...air].map(([kind, values]) => {
            const all = values.reduce((total, one) => total + one, 0);
            return [kind, kind === 'rainMm' ? all : all / values.length];
          }),
        ),
      }),
    }));
  if (hours.length === 0) throw new Refusal('file', 'The file holds no hour with its cloud.');
  const here = offsetAt(hours[0]!.at, zone);
  const other = [...offsets].filter(
    (offset) => offset !== here && offset !== offsetAt(hours[hours.length - 1]!.at, zone),
  );
  if (other.length > 0)
    notes.push(
      `Its times are of another zone (${other.map(wordsOf).join(', ')}; here it is ${wordsOf(here)}): brought over to this clock.`,
    );
  if (skipped.length > 0)
    notes.push(`${skipped.join(', ')} does not exist here: the clocks are set forward. Left out.`);
  if (repeated > 0) notes.push('The hour that comes twice, when the clocks are set back, is taken once for each.');
  const whole = Math.round((hours[hours.length - 1]!.at.getTime() - hours[0]!.at.getTime()) / HOUR_MS) + 1;
  if (whole > hours.length)
    notes.push(`${whole - hours.length} of its ${whole} hours are missing; there the sky stays invented.`);
  if (airColumns.length > 0)
    notes.push(`Of the air it says ${airColumns.map(({ name }) => `“${name.trim()}”`).join(', ')}: coats go by it.`);
  if (unit !== 'percent')
    notes.push(unit === 'okta' ? 'Cloud taken as eighths of the sky.' : 'Cloud taken as a share of the sky, 0 to 1.');
  return { hours, notes };
}

/** Cloud hour by hour: what was looked at or read from a file before what a stand-in says. */
export function skyWith<Hour extends SkyHour>(
  standIn: readonly Hour[],
  own: readonly SkyHour[],
): (SkyHour & { own: boolean })[] {
  const known = new Map(own.map(({ at, cloud }) => [at.getTime(), cloud]));
  return standIn.map(({ at, cloud }) => {
    const seen = known.get(at.getTime());
    return seen === undefined ? { at, cloud, own: false } : { at, cloud: seen, own: true };
  });
}
