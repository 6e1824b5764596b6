/** What can be wrong with the place where everything is kept; none of it is a fault of what was asked. */
export const FAULTS = ['full', 'read-only', 'locked', 'damaged', 'newer', 'not there'] as const;
export type Fault = (typeof FAULTS)[number];

/** Codes of SQLite and of the system, as they begin. */
const CODES: readonly [code: string, fault: Fault][] = [
  ['SQLITE_FULL', 'full'],
  ['ENOSPC', 'full'],
  ['EDQUOT', 'full'],
  ['SQLITE_READONLY', 'read-only'],
  ['EROFS', 'read-only'],
  ['EACCES', 'read-only'],
  ['EPERM', 'read-only'],
  ['SQLITE_BUSY', 'locked'],
  ['SQLITE_LOCKED', 'locked'],
  ['SQLITE_CORRUPT', 'damaged'],
  ['SQLITE_NOTADB', 'damaged'],
  ['SQLITE_IOERR', 'damaged'],
  ['SQLITE_CANTOPEN', 'not there'],
  ['ENOTDIR', 'not there'],
  ['EEXIST', 'not there'],
  ['KVELL_NEWER', 'newer'],
];

/** The database was brought forward by a later version than this one. */
export class NewerData extends Error {
  readonly code = 'KVELL_NEWER';
  constructor(names: readonly string[]) {
    super(`The database knows ${names.join(', ')}, which this version does not.`);
  }
}

/** What is wrong with the place where everything is kept, by an error as the database or the system threw it; `null` for any other. */
export function faultOf(failure: unknown): Fault | null {
  const seen = new Set<unknown>();
  for (let at = failure; typeof at === 'object' && at !== null && !seen.has(at);) {
    seen.add(at);
    const { code, parent, cause } = at as { code?: unknown; parent?: unknown; cause?: unknown };
    const known = CODES.find(([begins]) => String(code ?? '').startsWith(begins));
    if (known) return known[1];
    at = parent ?? cause;
  }
  return null;
}
