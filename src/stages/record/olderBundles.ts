import { usualPart, type FindingKind } from '@/core/intake/findings';
import { warningSaid } from '@/core/picture/warnings';
import { KEY_GROUPS } from '@/core/runsheet/functionTest';
import { BUNDLE_VERSION, LATER_PARTS } from '@/data/bundle';
import { PLAIN } from '@/work/pieces';
import { AT_FIRST } from '@/work/restorations';

type Json = Record<string, unknown>;

const isJson = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value);

/** Fields that later versions added to the rows of version 1, as they were before anybody could fill them in. */
const ROWS: Record<string, Json> = {
  pieces: { ...PLAIN },
  findings: { photoId: null, pin: null, closeUpId: null, continues: null, soil: null, visible: 'front' },
  removalSteps: { offBy: '', onBy: '', laidAside: false, pieceId: null },
  lots: { thing: 'screw' },
  sinkSteps: { cautions: [] },
  sessions: { checks: [], readings: [], leadId: null, coats: [], takes: null },
};
/** Fields that are worked out since. */
const DROPPED: Record<string, readonly string[]> = { sessions: ['measurementId'] };
/** Parts that later versions added. */
const ADDED = [...LATER_PARTS, 'ownAgents', 'ownSurfaces', 'missing'];

/** A test of all keys at once becomes one of each group. */
function byGroup(test: Json): Json {
  if (!isJson(test.results) || !('keys' in test.results)) return test;
  const { keys, ...rest } = test.results;
  return { ...test, results: { ...rest, ...Object.fromEntries(KEY_GROUPS.map((group) => [group, keys])) } };
}

/** What it warned of was kept as a sentence before version 7. */
function withWarningKinds(row: Json): Json {
  const { result } = row;
  if (!isJson(result) || !Array.isArray(result.warnings)) return row;
  const warnings = result.warnings.map((one: unknown) => (typeof one === 'string' ? warningSaid(one) : one));
  return { ...row, result: { ...result, warnings } };
}

const without = (row: Json, fields: readonly string[] = []): Json =>
  Object.fromEntries(Object.entries(row).filter(([name]) => !fields.includes(name)));

const isEarlier = (version: unknown): boolean =>
  Number.isInteger(version) && (version as number) >= 1 && (version as number) < BUNDLE_VERSION;

/** An exported restoration of an older version in the shape of today; anything else is left as it is. */
export function broughtForward(given: unknown): unknown {
  if (!isJson(given) || !isEarlier(given.version)) return given;
  const rows = (name: string) => (Array.isArray(given[name]) ? (given[name] as unknown[]).filter(isJson) : []);
  return {
    ...given,
    version: BUNDLE_VERSION,
    restoration: isJson(given.restoration) ? { ...AT_FIRST, ...given.restoration } : given.restoration,
    ...Object.fromEntries(ADDED.map((name) => [name, given[name] ?? []])),
    ...Object.fromEntries(
      Object.entries(ROWS).map(([name, added]) => [
        name,
        rows(name).map((row) => without({ ...added, ...row }, DROPPED[name])),
      ]),
    ),
    findings: rows('findings').map((row) => ({ ...ROWS.findings, part: usualPart(row.kind as FindingKind), ...row })),
    measurements: rows('measurements').map(withWarningKinds),
    functionTests: rows('functionTests').map((test) => ({ words: {}, ...byGroup(test) })),
  };
}
