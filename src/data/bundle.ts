import { stagesOf } from './stages';
import { findingsOf } from './findings';
import { functionTestsOf } from './functionTests';
import { Op } from 'sequelize';
import { agentOf } from '@/core/materials/agents';
import { knownSurface } from '@/core/materials/surfaces';
import { countOf } from '@/core/ledger/left';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from './cleaning';
import { inTransaction } from './connection';
import { appendLog, logOf, newestMark } from './log';
import { measurementsOf } from './measurements';
import { photosOf } from './photos/store';
import { piecesOf } from './pieces';
import { requestsOf } from './requests';
import { findRestoration } from './restorations';
import { addRow, addRows, deferRelations, findRow, findRows } from './table';
import type { TableName } from './schema';
import type {
  BlockRow,
  ConnectionRow,
  Finding,
  FunctionTest,
  LedgerEntry,
  LogEntry,
  LookAgain,
  LotRow,
  Measurement,
  Photo,
  Piece,
  OwnAgentRow,
  OwnSurfaceRow,
  OwnerRequest,
  RemovalStep,
  Restoration,
  RowOf,
  Session,
  SinkStep,
  StageRow,
  StockItem,
  Treatment,
} from './rows';
import { ledgerOf } from './ledger';
import { sessionsOf, treatmentsOf } from './treatments';
import { teardownOf } from './teardown';
import { getWorkshop } from './workshop';

export const BUNDLE_FORMAT = 'kvell-restoration';
export const BUNDLE_VERSION = 6;

/** One restoration with everything that belongs to it. */
export interface Bundle {
  format: typeof BUNDLE_FORMAT;
  version: typeof BUNDLE_VERSION;
  workshop: { name: string; timeZone: string; currency: string; hourlyRateMinor: number };
  restoration: Restoration;
  stages: StageRow[];
  pieces: Piece[];
  photos: Photo[];
  measurements: Measurement[];
  findings: Finding[];
  stock: StockItem[];
  treatments: Treatment[];
  sessions: Session[];
  removalSteps: RemovalStep[];
  lots: LotRow[];
  connections: ConnectionRow[];
  blocks: BlockRow[];
  functionTests: FunctionTest[];
  requests: OwnerRequest[];
  sinkSteps: SinkStep[];
  looksAgain: LookAgain[];
  /** Agents and surfaces of the workshop's own that this restoration speaks of. */
  ownAgents: OwnAgentRow[];
  ownSurfaces: OwnSurfaceRow[];
  ledger: LedgerEntry[];
  /** Numbered from 1 in their own order, since a log's numbers belong to its workshop. */
  log: LogEntry[];
  /** Hashes of photographs whose file was gone when it was exported: their rows go along, and name what is missing. */
  missing: string[];
}

/** Which table each part of a bundle fills, what others name before what names them. */
export const BUNDLE_TABLES = {
  stages: 'stages',
  pieces: 'pieces',
  photos: 'photos',
  measurements: 'measurements',
  findings: 'findings',
  treatments: 'treatments',
  sessions: 'sessions',
  removalSteps: 'removal_steps',
  lots: 'lots',
  connections: 'connections',
  blocks: 'blocks',
  functionTests: 'function_tests',
  requests: 'requests',
  sinkSteps: 'sink_steps',
  looksAgain: 'looks_again',
  ledger: 'ledger',
} as const satisfies Partial<Record<keyof Bundle, TableName>>;
export type BundlePart = keyof typeof BUNDLE_TABLES;
export const BUNDLE_PARTS = Object.keys(BUNDLE_TABLES) as BundlePart[];

/** Gathers a restoration; `null` where there is none. */
export async function gatherBundle(restorationId: string): Promise<Bundle | null> {
  const restoration = await findRestoration(restorationId);
  if (!restoration) return null;
  const { name, timeZone, currency, hourlyRateMinor } = await getWorkshop();
  const [
    stages,
    pieces,
    photos,
    measurements,
    findings,
    treatments,
    sessions,
    ledger,
    log,
    teardown,
    functionTests,
    requests,
    sinkSteps,
    looksAgain,
  ] = await Promise.all([
    stagesOf(restorationId),
    piecesOf(restorationId),
    photosOf(restorationId),
    measurementsOf(restorationId),
    findingsOf(restorationId),
    treatmentsOf(restorationId),
    sessionsOf(restorationId),
    ledgerOf(restorationId),
    logOf(restorationId),
    teardownOf(restorationId),
    functionTestsOf(restorationId),
    requestsOf(restorationId),
    findRows('sink_steps', { restorationId }, [['rowid', 'ASC']]),
    findRows('looks_again', { restorationId }, [['dueAt', 'ASC']]),
  ]);
  const stockIds = treatments.flatMap(({ stockId }) => stockId ?? []);
  const stock = stockIds.length > 0 ? await findRows('stock', { id: { [Op.in]: stockIds } }) : [];
  const agents = new Set(sinkSteps.map(({ agent }) => agent));
  const surfaces = new Set([...sinkSteps.map(({ surface }) => surface), ...pieces.flatMap((piece) => piece.surfaces)]);
  const [ownAgents, ownSurfaces] = [await findRows('own_agents'), await findRows('own_surfaces')];
  const position = new Map(log.map(({ id }, i) => [id, i + 1]));
  return {
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    workshop: { name, timeZone, currency, hourlyRateMinor },
    restoration,
    stages,
    pieces,
    photos,
    measurements,
    findings,
    stock,
    treatments,
    sessions: sessions.map((session) => asExported(session, sessions)),
    removalSteps: teardown.steps,
    lots: teardown.lots,
    connections: teardown.connections,
    blocks: teardown.blocks,
    functionTests,
    requests,
    // Timers belong to the workshop that ran them.
    sinkSteps: sinkSteps.map((step) => ({ ...step, timerId: null })),
    looksAgain,
    ownAgents: ownAgents.filter(({ id }) => agents.has(id)),
    ownSurfaces: ownSurfaces.filter(({ id }) => surfaces.has(id)),
    ledger,
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
