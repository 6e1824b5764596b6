import { Op } from 'sequelize';
import { agentOf } from '@/core/materials/agents';
import { knownSurface } from '@/core/materials/surfaces';
import { countOf } from '@/core/ledger/left';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from './cleaning';
import { inTransaction } from './connection';
import { appendLog, logOf, newestMark } from './log';
import { piecesOf } from './pieces';
import { findRestoration } from './restorations';
import { addRow, addRows, deferRelations, findRow, findRows } from './table';
import type { Table } from './column';
import { inOrder } from './stages';
import { TABLES, type TableName } from './tables';
import type { LogEntry, OwnAgentRow, OwnSurfaceRow, Restoration, RowOf, Session, StockItem } from './rows';
import { getWorkshop } from './workshop';

export const BUNDLE_FORMAT = 'kvell-restoration';
/** Version in which the fields of its rows changed last; a table that came later raises it. */
const FIELDS_SINCE = 6;

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

/** @throws Refusal where the bundle speaks of an agent or surface of somebody's own that it does not bring along */
async function needsKnown({ sinkSteps, pieces }: Bundle): Promise<void> {
  const own = await ownKnowledge();
  for (const { agent, surface } of sinkSteps) {
    agentOf(agent, own.agents);
    knownSurface(surface, own.surfaces);
  }
  for (const { surfaces } of pieces) for (const surface of surfaces) knownSurface(surface, own.surfaces);
}

/** What another workshop added itself comes along; a name that is taken here is told apart by a number. */
async function keepOwn<T extends 'own_agents' | 'own_surfaces'>(table: T, row: RowOf[T]): Promise<void> {
  if (await findRow(table, row.id)) return;
  const titles = new Set((await findRows(table, {})).map(({ title }) => title));
  let { title } = row;
  for (let i = 2; titles.has(title); i++) title = `${row.title} (${i})`;
  await addRow(table, { ...row, title });
}

/** A bottle that a treatment names; it comes along by its label and does not stand on this shelf. */
async function keepBottle(item: StockItem, now: Date): Promise<void> {
  if (await findRow('stock', item.id)) return;
  await addRow('stock', item);
  const empty = { ...countOf(item.sizeMl, [], 0), stockId: item.id, restorationId: null, at: now.toISOString() };
  await addRow('movements', empty);
}

/** @throws Refusal where the restoration is here already */
export async function needsNew({ id, title }: Restoration): Promise<void> {
  if (await findRow('restorations', id))
    throw new Refusal('file', `“${title}” is here already. Tick “import as a copy” to have it twice, or leave it.`);
}

/**
 * Puts a bundle into this workshop, whole or not at all.
 *
 * @throws Refusal where the restoration is here already
 */
export async function keepBundle(bundle: Bundle, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restoration } = bundle;
    await needsNew(restoration);
    await addRow('restorations', restoration);
    for (const item of bundle.stock) await keepBottle(item, now);
    for (const row of bundle.ownAgents) await keepOwn('own_agents', row);
    for (const row of bundle.ownSurfaces) await keepOwn('own_surfaces', row);
    await needsKnown(bundle);
    // What is named may come after what names it; all of it was checked to be there.
    await deferRelations();
    for (const part of BUNDLE_PARTS) await addRows(BUNDLE_TABLES[part], bundle[part] as never);
    await keepLog(bundle.log);
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'import',
        words: `Imported: ${restoration.title}, from ${bundle.workshop.name}.`,
      },
      now,
    );
  });
}

/** Its entries go behind those that are here, in their order. */
async function keepLog(log: readonly LogEntry[]): Promise<void> {
  const behind = await newestMark();
  const given = new Map(log.map(({ id }, i) => [id, behind + i + 1]));
  await addRows(
    'log',
    log.map((entry) => ({
      ...entry,
      id: given.get(entry.id)!,
      corrects: entry.corrects === null ? null : (given.get(entry.corrects) ?? null),
    })),
  );
}
