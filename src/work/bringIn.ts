import { countOf } from '@/core/ledger/left';
import { agentOf } from '@/core/materials/agents';
import { knownSurface } from '@/core/materials/surfaces';
import { Refusal } from '@/core/refusal';
import { BUNDLE_PARTS, BUNDLE_TABLES, type Bundle } from '@/data/bundle';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog, newestMark } from '@/data/log';
import { awayOf } from '@/data/putAway';
import type { LogEntry, Restoration, RowOf, StockItem } from '@/data/rows';
import { addRow, addRows, deferRelations, findRow, findRows } from '@/data/table';

/** @throws Refusal where the restoration is here already */
export async function needsNew({ id, title }: Restoration): Promise<void> {
  if ((await awayOf(id))?.goneAt)
    throw new Refusal(
      'file',
      `“${title}” was here and is gone for good but for its log. Tick “import as a copy” to have it again.`,
    );
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
