/** What can be found on a machine, as intake pins it on a photograph. */
export const FINDING_KINDS = [
  'yellowed',
  'soiled',
  'scuffed',
  'stained',
  'ink',
  'rust',
  'leak',
  'crack',
  'chip',
  'broken, the piece is here',
  'bent or warped',
  'melted',
  'corroded',
  'missing',
  'wrong or foreign part',
  'sticky',
  'dead',
  'works now and then',
  'loose',
  'repaired by somebody',
  'sound on purpose',
  'keep this mark',
] as const;
export type FindingKind = (typeof FINDING_KINDS)[number];

/** What of the machine a finding is on: the same fault goes to another stage on another part. */
export const FINDING_PARTS = [
  'case',
  'keys',
  'switch or socket',
  'board',
  'drive',
  'display',
  'supply',
  'cable',
  'foot or pad',
  'metal',
  'label or badge',
] as const;
export type FindingPart = (typeof FINDING_PARTS)[number];

/**
 * The part that a kind of finding is mostly on.
 *
 * @example usualPart('rust') // 'metal'
 */
export const usualPart = (kind: FindingKind): FindingPart =>
  kind === 'dead' || kind === 'works now and then' || kind === 'sticky'
    ? 'keys'
    : kind === 'rust' || kind === 'corroded'
      ? 'metal'
      : 'case';

export const SEVERITIES = ['slight', 'plain', 'bad'] as const;
export type Severity = (typeof SEVERITIES)[number];
/** How bad, as people say it. */
export const SEVERITY_WORDS: Record<Severity, string> = { slight: 'slight', plain: 'clear', bad: 'bad' };

export const SETTLEMENTS = ['done', 'left on purpose', 'not possible'] as const;
export type Settlement = (typeof SETTLEMENTS)[number];
