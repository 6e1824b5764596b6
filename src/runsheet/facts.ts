import { stagesOf } from '@/data/stages';
import { findingsOf } from '@/data/findings';
import { showMinutes } from '@/core/runsheet/time';
import type { Finding, LedgerEntry, Photo, StageRow } from '@/data/rows';
import { photosOf } from '@/data/photos/store';

import { ledgerOf } from '@/data/ledger';
import type { RunSheetRow } from './RunSheet';

const count = (n: number, one: string, many = `${one}s`) => (n === 0 ? '' : `${n} ${n === 1 ? one : many}`);

function rowOf(
  { stage, state, reason }: StageRow,
  photos: readonly Photo[],
  findings: readonly Finding[],
  ledger: readonly LedgerEntry[],
): RunSheetRow {
  const of = <T extends { stage: string }>(rows: readonly T[]) => rows.filter((row) => row.stage === stage);
  const minutes = of(ledger).reduce((sum, entry) => sum + entry.minutes, 0);
  const open = of(findings).filter(({ settledAs }) => settledAs === null).length;
  const facts = [count(of(photos).length, 'photograph'), count(of(findings).length, 'finding'), open > 0 ? `${open} open` : '', reason ?? '']
    .filter(Boolean)
    .join(', ');
  return { stage, state, facts, minutes: minutes > 0 ? showMinutes(minutes) : '' };
}

/** The run sheet's rows with what is on them. */
export async function runSheetRows(restorationId: string): Promise<RunSheetRow[]> {
  const [stages, photos, findings, ledger] = await Promise.all([
    stagesOf(restorationId),
    photosOf(restorationId),
    findingsOf(restorationId),
    ledgerOf(restorationId),
  ]);
  return stages.map((row) => rowOf(row, photos, findings, ledger));
}
