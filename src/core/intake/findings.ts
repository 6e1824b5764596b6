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
  'missing',
  'sticky',
  'dead',
  'loose',
  'repaired by somebody',
  'keep this mark',
] as const;
export type FindingKind = (typeof FINDING_KINDS)[number];

export const SEVERITIES = ['slight', 'plain', 'bad'] as const;
export type Severity = (typeof SEVERITIES)[number];

export const SETTLEMENTS = ['done', 'left on purpose', 'not possible'] as const;
export type Settlement = (typeof SETTLEMENTS)[number];
