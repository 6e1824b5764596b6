import { compareWays, type Comparison, type Way } from '@/core/choice/compare';
import { PURE_POWDER_PERCENT } from '@/core/session/amounts';
import { SCHOOL, SCHOOLS, type SchoolId } from '@/core/session/schools';
import type { CloudHour, SkySource } from '@/core/session/sessions';
import type { OwnStock } from '@/core/session/supply';
import type { UnitSystem } from '@/core/units';
import { percentOf } from '@/core/peroxide/bottle';
import type { Place } from '@/core/sun/day';
import type { Obstacle } from '@/core/sun/horizon';
import { hoursOfDays } from '@/core/runsheet/hours';
import { fromLocalField } from '@/core/runsheet/time';
import { listTubs } from '@/data/cleaning';
import { findingsOf } from '@/data/findings';
import { findRestoration } from '@/data/restorations';
import type { LearntRate, Piece, TubRow, Workshop } from '@/data/rows';
import { listStock, type Shelved } from '@/data/stock';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';
import { factsOf, ownSurfacesOn } from '../facts';
import { yellowOf, type PieceHistory } from '../history';
import { pooledFrom } from '../pooled';

/** Days ahead that are looked at. */
export const DAYS = 14;
const KIND = { 'peroxide cream': 'cream', 'peroxide liquid': 'liquid', 'oxygen-bleach powder': 'powder' } as const;

export interface WaysView extends Comparison {
  /** Past pieces that each school's rate rests on. */
  pieces: Partial<Record<SchoolId, number>>;
  clouds: CloudHour[];
  place: Place | null;
  /** What stands in the sun's way there. */
  shading: readonly Obstacle[];
  /** What amounts are said in. */
  units: UnitSystem;
}

function ownStock(bottle: Shelved): OwnStock[] {
  const { id, name, kind, strengthValue, sizeMl, priceMinor, left } = bottle;
  const as = KIND[kind as keyof typeof KIND];
  if (!as) return [];
  // What stands on a tub of powder is its share of percarbonate; half of it where nothing stands there.
  const percentWW = as === 'powder' ? ((strengthValue ?? 50) * PURE_POWDER_PERCENT) / 100 : percentOf(bottle);
  return percentWW === null ? [] : [{ id, name, kind: as, percentWW, sizeMl, priceMinor, left }];
}

/** The end of a wished day in the workshop's zone; `null` for what is no day. */
function wished(by: string | null, timeZone: string): Date | null {
  const end = by && /^\d{4}-\d\d-\d\d$/.test(by) ? fromLocalField(`${by}T23:59`, timeZone) : null;
  return end === null ? null : new Date(end);
}

/** Where and with what a piece is brightened. */
export interface Bench {
  workshop: Workshop;
  stock: readonly Shelved[];
  tubs: readonly TubRow[];
}

/** The workshop's own, as it stands. */
export const benchOf = async (workshop: Workshop): Promise<Bench> => ({
  workshop,
  stock: await listStock(),
  tubs: await listTubs(),
});
export const benchAsItStands = async (): Promise<Bench> => benchOf(await getWorkshop());

/** All ways for a piece in the coming days; `null` as long as its size is not known. */
export async function waysFor(
  piece: Piece,
  history: PieceHistory,
  past: readonly LearntRate[],
  sky: SkySource,
  by: string | null = null,
  now: Date,
  { workshop, stock, tubs }: Bench,
): Promise<WaysView | null> {
  const { lengthMm, widthMm, heightMm } = piece;
  if (lengthMm === null || widthMm === null || heightMm === null) return null;
  const [obstacles, restoration, findings] = await Promise.all([
    listObstacles(),
    findRestoration(piece.restorationId),
    findingsOf(piece.restorationId),
  ]);
  const pooled = new Map(SCHOOLS.map((id) => [id, pooledFrom(past, SCHOOL[id], piece.plastic)] as const));
  const { timeZone, hours, lampMwPerCm2 } = workshop;
  const place = placeOf(workshop);
  const clouds = place ? await sky(place, now, 24 * DAYS) : [];
  const comparison = compareWays({
    piece: {
      lengthMm,
      widthMm,
      heightMm,
      ...factsOf(piece, findings, await ownSurfacesOn(piece)),
    },
    aim: piece.aim ?? restoration!.aim,
    yellowOf: (school) => yellowOf(piece, history, school),
    aboveB: history.measurements[history.measurements.length - 1]?.deltaB ?? null,
    toleranceB: history.treatments[history.treatments.length - 1]?.toleranceB ?? 1.5,
    priorOf: ({ id }) => pooled.get(id)!.prior,
    place,
    shading: obstacles,
    hours: hoursOfDays(now, timeZone, hours, DAYS),
    clouds,
    now,
    stock: stock.flatMap(ownStock),
    tubs,
    lampMwPerCm2,
    by: wished(by, timeZone),
    going: history.treatments.find(({ endedAt }) => endedAt === null)?.school ?? null,
  });
  return {
    ...comparison,
    clouds,
    place,
    shading: obstacles,
    units: workshop.units,
    pieces: Object.fromEntries([...pooled].map(([id, { pieces }]) => [id, pieces])),
  };
}

/** The bottle, tub and litres of each way, as the comparison counts with them: what its plan begins with. */
export const suppliesOf = (ways: WaysView | null): Partial<Record<SchoolId, NonNullable<Way['supply']>>> =>
  Object.fromEntries((ways?.ways ?? []).flatMap(({ school, supply }) => (supply ? [[school, supply]] : [])));
