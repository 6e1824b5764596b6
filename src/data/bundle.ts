import type { Table } from './column';
import { logOf } from './log';
import { piecesOf } from './pieces';
import { findRestoration } from './restorations';
import type { LogEntry, OwnAgentRow, OwnSurfaceRow, Restoration, RowOf, Session, StockItem } from './rows';
import { inOrder } from './stages';
import { findRows } from './table';
import { TABLES, type TableName } from './tables';
import { getWorkshop } from './workshop';
import { Op } from 'sequelize';

export const BUNDLE_FORMAT = 'kvell-restoration';

/** Version in which the fields of its rows changed last; a table that came later raises it. */
const FIELDS_SINCE = 7;

type Tables = typeof TABLES;

type PartOf<T> = T extends { exported: { as: infer P extends string } } ? P : never;

/** Rows of each table that goes along, by the name of its part. */
type Parts = { [T in TableName as PartOf<Tables[T]>]: RowOf[T][] };

export type BundlePart = keyof Parts;

/** Which table each part of a bundle fills. */
export const BUNDLE_TABLES = Object.fromEntries(
  (Object.entries(TABLES) as [TableName, Table][]).flatMap(([name, { exported }]) =>
    exported ? [[exported.as, name]] : [],
  ),
) as Record<BundlePart, TableName>;

export const BUNDLE_PARTS = Object.keys(BUNDLE_TABLES) as BundlePart[];

const exportedAs = (part: BundlePart) => (TABLES[BUNDLE_TABLES[part]] as Table).exported!;

/** Parts that an older record may not have yet. */
export const LATER_PARTS = BUNDLE_PARTS.filter((part) => exportedAs(part).since > 1);

export const BUNDLE_VERSION = Math.max(FIELDS_SINCE, ...BUNDLE_PARTS.map((part) => exportedAs(part).since));

/** One restoration with everything that belongs to it. */
export interface Bundle extends Parts {
  format: typeof BUNDLE_FORMAT;
  version: number;
  workshop: { name: string; timeZone: string; currency: string; hourlyRateMinor: number };
  restoration: Restoration;
  stock: StockItem[];
  /** Agents and surfaces of the workshop's own that this restoration speaks of. */
  ownAgents: OwnAgentRow[];
  ownSurfaces: OwnSurfaceRow[];
  /** Numbered from 1 in their own order, since a log's numbers belong to its workshop. */
  log: LogEntry[];
  /** Hashes of photographs whose file was gone when it was exported: their rows go along, and name what is missing. */
  missing: string[];
}

async function partsOf(restorationId: string): Promise<Parts> {
  const rows = await Promise.all(
    BUNDLE_PARTS.map(async (part) => [
      part,
      await findRows(BUNDLE_TABLES[part], { restorationId }, [
        [exportedAs(part).by, 'ASC'],
        ['rowid', 'ASC'],
      ]),
    ]),
  );
  return Object.fromEntries(rows) as Parts;
}

/** Gathers a restoration; `null` where there is none. */
export async function gatherBundle(restorationId: string): Promise<Bundle | null> {
  const restoration = await findRestoration(restorationId);
  if (!restoration) return null;
  const { name, timeZone, currency, hourlyRateMinor } = await getWorkshop();
  const parts = await partsOf(restorationId);
  const { treatments, sessions, sinkSteps, stages } = parts;
  const [log, pieces] = [await logOf(restorationId), await piecesOf(restorationId)];
  const stockIds = treatments.flatMap(({ stockId }) => stockId ?? []);
  const stock = stockIds.length > 0 ? await findRows('stock', { id: { [Op.in]: stockIds } }) : [];
  const agents = new Set(sinkSteps.map(({ agent }) => agent));
  const surfaces = new Set([...sinkSteps.map(({ surface }) => surface), ...pieces.flatMap((piece) => piece.surfaces)]);
  const [ownAgents, ownSurfaces] = [await findRows('own_agents'), await findRows('own_surfaces')];
  const position = new Map(log.map(({ id }, i) => [id, i + 1]));
  return {
    ...parts,
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    workshop: { name, timeZone, currency, hourlyRateMinor },
    restoration,
    stages: stages.sort(inOrder),
    pieces,
    stock,
    sessions: sessions.map((session) => asExported(session, sessions)),
    // Timers belong to the workshop that ran them.
    sinkSteps: sinkSteps.map((step) => ({ ...step, timerId: null })),
    ownAgents: ownAgents.filter(({ id }) => agents.has(id)),
    ownSurfaces: ownSurfaces.filter(({ id }) => surfaces.has(id)),
    log: log.map((entry, i) => ({
      ...entry,
      id: i + 1,
      corrects: entry.corrects === null ? null : (position.get(entry.corrects) ?? null),
    })),
    missing: [],
  };
}

/** A session without what belongs to its workshop: the rows of its stores, and a session of another machine that it went along with. */
const asExported = (session: Session, all: readonly Session[]): Session => ({
  ...session,
  leadId: all.some(({ id }) => id === session.leadId) ? session.leadId : null,
  takes: null,
  coats: session.coats.map(({ at, amountMl }) => ({ at, amountMl, movementIds: [], ledgerIds: [] })),
});
