import type { Aim } from '@/core/intake/aim';
import type { Stage } from '@/core/runsheet/stages';
import type { LogPage } from '@/data/log';
import type { Finding, LedgerEntry, Photo, Piece } from '@/data/rows';

/** The leaves of the clipboard, in the order in which they are wanted at the bench. */
export const LEAVES = ['photographs', 'findings', 'notes', 'minutes', 'materials', 'log'] as const;
export type Leaf = (typeof LEAVES)[number];

export const LEAF_TITLES: Record<Leaf, string> = {
  photographs: 'Photos',
  findings: 'Findings',
  notes: 'Notes',
  minutes: 'Minutes',
  materials: 'Materials',
  log: 'Log',
};

/** What a stage documents. */
export interface Clip {
  restorationId: string;
  stage: Stage;
  pieces: readonly Piece[];
  photos: readonly Photo[];
  /** Found on this stage, or asking for it. */
  findings: readonly Finding[];
  aim: Aim;
  ledger: readonly LedgerEntry[];
  /** The newest of its notes, and of all its entries. */
  notes: LogPage;
  log: LogPage;
  currency: string;
  timeZone: string;
  money: Record<string, string>;
}

/** What stands beside each leaf: how many, of minutes their sum; nothing where there is nothing. */
export function countsOf({ photos, findings, ledger, notes }: Clip): Record<Leaf, string> {
  const count = (n: number) => (n === 0 ? '' : String(n));
  const minutes = ledger.reduce((sum, entry) => sum + entry.minutes, 0);
  return {
    photographs: count(photos.length),
    findings: count(findings.filter(({ settledAs }) => settledAs === null).length),
    notes: `${count(standing(notes).length)}${notes.older ? '+' : ''}`,
    minutes: minutes === 0 ? '' : minutes < 100 ? `${minutes}′` : `${Math.round(minutes / 60)} h`,
    materials: count(ledger.filter(({ kind }) => kind === 'material').length),
    log: '',
  };
}

/** The entries of a page of the log that nothing has taken the place of. */
export const standing = ({ entries, replaced }: LogPage) => entries.filter(({ id }) => !replaced.includes(id));
