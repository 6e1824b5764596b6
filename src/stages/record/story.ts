import { formatMoney, workCost } from '@/core/ledger/money';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { lotWords } from '@/core/teardown/lots';
import type { Bundle } from '@/data/bundle';
import type { Finding, LedgerEntry, Measurement, OwnerRequest, Photo, Piece, Session, Treatment } from '@/data/rows';

export interface PieceStory {
  piece: Piece;
  measurements: Measurement[];
  first: Measurement | null;
  last: Measurement | null;
  treatments: (Treatment & { sessions: Session[] })[];
}

export interface StageStory {
  stage: Stage;
  state: string;
  reason: string | null;
  photos: Photo[];
  notes: string[];
  findings: Finding[];
  ledger: LedgerEntry[];
  minutes: number;
}

export interface Story {
  bundle: Bundle;
  pieces: PieceStory[];
  stages: StageStory[];
  /** Findings that are open or were left, and stages still open. */
  undone: string[];
  /** What the owner was asked, with the answers. */
  asked: OwnerRequest[];
  /** Fasteners that are not the ones it came with. */
  replaced: string[];
  cost: { price: string; materials: string; minutes: number; work: string; total: string };
}

const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);

/** A restoration's story in order, from its bundle. */
export function tellStory(bundle: Bundle): Story {
  const { currency, hourlyRateMinor } = bundle.workshop;
  const money = (minor: number) => formatMoney(minor, currency);
  const reworded = new Set(bundle.log.map(({ corrects }) => corrects));
  const stages = STAGES.map((stage): StageStory => {
    const ledger = bundle.ledger.filter((entry) => entry.stage === stage);
    const row = bundle.stages.find((s) => s.stage === stage);
    return {
      stage,
      state: row?.state ?? 'open',
      reason: row?.reason ?? null,
      photos: bundle.photos.filter((photo) => photo.stage === stage),
      notes: bundle.log.filter((entry) => entry.stage === stage && entry.kind === 'note' && !reworded.has(entry.id)).map(({ words }) => words),
      findings: bundle.findings.filter((finding) => finding.stage === stage),
      ledger: ledger.filter(({ kind }) => kind !== 'price'),
      minutes: sum(ledger.map(({ minutes }) => minutes)),
    };
  });
  const pieces = bundle.pieces.map((piece): PieceStory => {
    const measurements = bundle.measurements.filter(({ pieceId }) => pieceId === piece.id);
    const treatments = bundle.treatments.filter(({ pieceId }) => pieceId === piece.id);
    return {
      piece,
      measurements,
      first: measurements[0] ?? null,
      last: measurements[measurements.length - 1] ?? null,
      treatments: treatments.map((treatment) => ({
        ...treatment,
        sessions: bundle.sessions.filter(({ treatmentId }) => treatmentId === treatment.id),
      })),
    };
  });
  const tag = (pieceId: string | null) => bundle.pieces.find(({ id }) => id === pieceId)?.tag;
  const undone = [
    ...bundle.findings
      .filter(({ settledAs }) => settledAs !== 'done')
      .map(
        ({ pieceId, kind, words, settledAs, settledWords }) =>
          `${[tag(pieceId), kind].filter(Boolean).join(' ')}${words && `: ${words}`} (${settledAs ?? 'open'}${settledWords ? `, ${settledWords}` : ''})`,
      ),
    ...stages.filter(({ state, stage }) => state === 'open' && stage !== 'record').map(({ stage }) => `stage ${stage} is still open`),
  ];
  const of = (kind: LedgerEntry['kind']) => bundle.ledger.filter((entry) => entry.kind === kind);
  const price = sum(of('price').map(({ amountMinor }) => amountMinor));
  const materials = sum(of('material').map(({ amountMinor }) => amountMinor));
  const minutes = sum(of('minutes').map((entry) => entry.minutes));
  const work = workCost(minutes, hourlyRateMinor);
  return {
    bundle,
    pieces,
    stages,
    undone,
    asked: bundle.requests,
    replaced: bundle.lots
      .filter(({ fate, words }) => fate === 'replaced' || words !== '')
      .map((lot) => [bundle.removalSteps.find(({ id }) => id === lot.stepId)?.name, lotWords(lot), lot.words || lot.fate].filter(Boolean).join(': ')),
    cost: { price: money(price), materials: money(materials), minutes, work: money(work), total: money(price + materials + work) },
  };
}
