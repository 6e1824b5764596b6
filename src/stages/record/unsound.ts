import { partOf } from '@/core/mending/part/part';
import { MEND } from '@/core/mending/repair/ways';
import { STAGES } from '@/core/runsheet/stages';
import { BUNDLE_PARTS, BUNDLE_TABLES, type Bundle } from '@/data/bundle';
import { RELATIONS } from '@/data/relations';

type Row = Record<string, unknown> & { id: string | number };

function twice(values: readonly unknown[]): unknown {
  const seen = new Set<unknown>();
  return values.find((value) => seen.size === seen.add(value).size);
}

/** Every part that belongs to the restoration, and its log, by the table that it fills. */
const partsOf = (bundle: Bundle): [name: string, table: string, rows: readonly Row[]][] => [
  ...BUNDLE_PARTS.map((part): [string, string, readonly Row[]] => [
    part,
    BUNDLE_TABLES[part],
    bundle[part] as unknown as Row[],
  ]),
  ['log', 'log', bundle.log as unknown as Row[]],
];

function* wrongRows(bundle: Bundle): Generator<string> {
  const parts = partsOf(bundle);
  const ids = new Map(parts.map(([, table, rows]) => [table, new Set(rows.map(({ id }) => id))]));
  const stock = new Set(bundle.stock.map(({ id }) => id));
  for (const [name, table, rows] of parts) {
    if (ids.get(table)!.size < rows.length) yield `${name} holds ${String(twice(rows.map(({ id }) => id)))} twice`;
    const relations = Object.entries(RELATIONS[table] ?? {});
    for (const [i, row] of rows.entries()) {
      if (row.restorationId !== bundle.restoration.id) yield `${name}[${i}] belongs to another restoration`;
      for (const [field, target] of relations)
        if (row[field] !== null && !ids.get(target)?.has(row[field] as string))
          yield `${name}[${i}].${field} names something that is not in it`;
    }
  }
  for (const [i, { leadId }] of bundle.sessions.entries())
    if (leadId !== null && bundle.sessions.find(({ id }) => id === leadId)?.leadId !== null)
      yield `sessions[${i}].leadId names no session that leads`;
  for (const [i, { stockId }] of bundle.treatments.entries())
    if (stockId !== null && !stock.has(stockId)) yield `treatments[${i}].stockId names something that is not in it`;
}

/** A finding that goes on from itself, however far round, has no beginning. */
function* wrongChains({ findings, log }: Bundle): Generator<string> {
  const before = new Map(findings.map(({ id, continues }) => [id, continues]));
  // Walked once: what was seen to end ends.
  const ends = new Set<string>();
  for (const [i, { id }] of findings.entries()) {
    const walked = new Set<string>();
    let at: string | null = id;
    while (at !== null && !ends.has(at) && !walked.has(at)) {
      walked.add(at);
      at = before.get(at) ?? null;
    }
    if (at !== null && !ends.has(at)) yield `findings[${i}].continues leads back to itself`;
    for (const one of walked) ends.add(one);
  }
  for (const [i, { id, corrects }] of log.entries())
    if (corrects !== null && corrects >= id) yield `log[${i}].corrects is not an earlier entry`;
}

function* wrongFields({ stages, restoration: { estimate }, lots, sessions, sinkSteps }: Bundle): Generator<string> {
  for (const stage of STAGES)
    if (stages.filter((row) => row.stage === stage).length !== 1) yield `stages has not the stage “${stage}” once`;
  for (const [name, { low, likely, high }] of Object.entries(estimate ?? {}))
    if (low > likely || likely > high) yield `restoration.estimate.${name} goes down from low to high`;
  for (const [i, { count, returned, missing }] of lots.entries())
    if (returned + missing > count) yield `lots[${i}] has more back than came out`;
  for (const [i, { endedAt, outcome }] of sinkSteps.entries())
    if ((endedAt === null) !== (outcome === null))
      yield `sinkSteps[${i}] has an end without an outcome, or an outcome without an end`;
  for (const [i, { startedAt, endedAt }] of sessions.entries())
    if (endedAt !== null && endedAt < startedAt) yield `sessions[${i}] ended before it began`;
}

/** Whether a part can be made by its sizes: a page that shows it would fail otherwise. */
function cannotBeMade({ family, sizes }: Pick<Bundle['parts'][number], 'family' | 'sizes'>): string | null {
  try {
    partOf(family, sizes);
    return null;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

function* wrongMends({ parts, repairs }: Bundle): Generator<string> {
  for (const [i, part] of parts.entries()) {
    const why = cannotBeMade(part);
    if (why) yield `parts[${i}] cannot be made: ${why}`;
  }
  for (const [i, { way, startedAt, endedAt, outcome, done, brokeAt }] of repairs.entries()) {
    if (way === null && (startedAt !== null || done.length > 0)) yield `repairs[${i}] was begun without a way`;
    if (way !== null && done.some((step) => step >= MEND[way].steps.length))
      yield `repairs[${i}].done names a step that its way has not`;
    if (endedAt === null && (outcome !== null || brokeAt !== null))
      yield `repairs[${i}] came to something before its end`;
  }
}

function* wrongFinish({ lostMarks, coatJobs, coats }: Bundle): Generator<string> {
  for (const [i, { way, doneAt }] of lostMarks.entries())
    if (way === null && doneAt !== null) yield `lostMarks[${i}] was settled without a way`;
  for (const [i, { id, endedAt }] of coatJobs.entries())
    if (endedAt !== null && coats.some(({ jobId, laidAt }) => jobId === id && laidAt === null))
      yield `coatJobs[${i}] ended before all of its coats were laid`;
}

/**
 * What a schema cannot say of a restoration: that it is one, and hangs together.
 *
 * @returns everything that is wrong, in words for whoever reads `restoration.json`; at most as many as are asked for
 */
export function unsound(bundle: Bundle, most = 5): string[] {
  const found: string[] = [];
  for (const check of [wrongRows, wrongChains, wrongFields, wrongMends, wrongFinish])
    for (const wrong of check(bundle)) {
      if (found.length === most) return found;
      found.push(wrong);
    }
  return found;
}
