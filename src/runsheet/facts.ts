import { stagesOf } from '@/data/stages';
import { askedFor, findingsOf } from '@/data/findings';
import { measuredYellows, type MeasuredYellow } from '@/data/yellows';
import { requestsOf } from '@/data/requests';
import { showMinutes } from '@/core/runsheet/time';
import type { Finding, LedgerEntry, OwnerRequest, Photo, StageRow } from '@/data/rows';
import { photosOf } from '@/data/photos/store';

import { ledgerOf } from '@/data/ledger';
import type { RunSheetRow } from './RunSheet';

const count = (n: number, one: string, many = `${one}s`) => (n === 0 ? '' : `${n} ${n === 1 ? one : many}`);

/** The first of many, and how many more there are. */
const someOf = (all: readonly string[], between: string, most: number): string =>
  all.slice(0, most).join(between) + (all.length > most ? ` and ${all.length - most} more` : '');

function rowOf(
  { stage, state, reason }: StageRow,
  asking: readonly Finding[],
  requests: readonly OwnerRequest[],
  photos: readonly Photo[],
  findings: readonly Finding[],
  ledger: readonly LedgerEntry[],
  yellows: readonly MeasuredYellow[],
): RunSheetRow {
  const of = <T extends { stage: string }>(rows: readonly T[]) => rows.filter((row) => row.stage === stage);
  const minutes = of(ledger).reduce((sum, entry) => sum + entry.minutes, 0);
  const tags = asking.map(({ kind, words }) => [kind, words].filter(Boolean).join(', '));
  const facts = [
    tags.length > 0 ? `asked for: ${someOf(tags, '; ', 2)}` : '',
    count(of(photos).length, 'photograph'),
    stage === 'intake' ? count(findings.length, 'finding') : '',
    reason ?? '',
    stage === 'brighten' && yellows.length > 0
      ? `but measured yellow: ${someOf(
          yellows.map(({ piece }) => piece.tag),
          ', ',
          4,
        )}`
      : '',
  ]
    .filter(Boolean)
    .join(', ');
  const waits = requests
    .filter((request) => request.answer === null && request.stage === stage)
    .map(({ what }) => what);
  return { stage, state, facts, waits, minutes: minutes > 0 ? showMinutes(minutes) : '' };
}

/** The run sheet's rows with what is on them. */
export async function runSheetRows(restorationId: string): Promise<RunSheetRow[]> {
  const [stages, photos, findings, ledger, asked, requests] = await Promise.all([
    stagesOf(restorationId),
    photosOf(restorationId),
    findingsOf(restorationId),
    ledgerOf(restorationId),
    askedFor(restorationId),
    requestsOf(restorationId),
  ]);
  const isNeedless = stages.some(({ stage, state }) => stage === 'brighten' && state === 'not needed');
  const yellows = isNeedless ? await measuredYellows(restorationId) : [];
  return stages.map((row) => rowOf(row, asked.get(row.stage) ?? [], requests, photos, findings, ledger, yellows));
}
