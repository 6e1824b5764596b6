import { originalityByRecord } from '@/core/finish/originFacts';
import { isOriginal, shareWords } from '@/core/finish/originality';
import { agentOf } from '@/core/materials/agents';
import type { Outcome } from '@/core/cleaning/outcomes';
import { marksToKeep } from '@/core/intake/marks';
import { proposalFor } from '@/core/intake/proposals';
import { formatMoney, workCost } from '@/core/ledger/money';
import { foundWords } from '@/core/runsheet/functionTest';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { lotWords } from '@/core/teardown/lots';
import type { Bundle } from '@/data/bundle';
import type { Finding, LedgerEntry, Measurement, OwnerRequest, Photo, Piece, Session, Treatment } from '@/data/rows';

export interface PieceStory {
  piece: Piece;
  measurements: Measurement[];
  first: Measurement | null;
  last: Measurement | null;
  /** Each with the tags of the pieces that lay in the same session. */
  treatments: (Treatment & { sessions: (Session & { together: string[] })[] })[];
}

export interface StageStory {
  stage: Stage;
  state: string;
  reason: string | null;
  photos: Photo[];
  notes: string[];
  /** What was found there, and, told where it was treated, what was settled there. */
  findings: Finding[];
  settled: Finding[];
  ledger: LedgerEntry[];
  minutes: number;
}

/** A pass at the sink over the spots of one piece, with what was confirmed before it. */
export interface PassStory {
  id: string;
  at: string;
  what: string;
  came: string;
  cautions: string[];
}

export interface Story {
  bundle: Bundle;
  pieces: PieceStory[];
  stages: StageStory[];
  passes: PassStory[];
  /** What the function tests found, in order. */
  tested: { id: string; at: string; phase: string; found: string }[];
  /** What was to be kept as it is. */
  marks: string[];
  /** Findings that are open or were left, and stages still open; `null` where the reader is not told. */
  undone: string[] | null;
  /** What the owner was asked, with the answers. */
  asked: OwnerRequest[];
  /** How original it is, in shares of its surface. */
  original: string;
  /** Parts and surfaces that are no longer as the maker made them. */
  notOriginal: string[];
  /** Fasteners that are not the ones it came with. */
  replaced: string[];
  /** `null` where the reader is not told of money. */
  cost: { price: string; materials: string; minutes: number; work: string; total: string } | null;
}

/** Tags of the pieces that lay in the same session. */
const companionsOf = ({ sessions, pieces }: Bundle, { id, leadId, pieceId }: Session): string[] =>
  sessions
    .filter((other) => other.id !== id && (other.leadId ?? other.id) === (leadId ?? id))
    .flatMap((other) => pieces.find((piece) => piece.id === other.pieceId && piece.id !== pieceId)?.tag ?? []);

/** The passes at the sink in order; what one pass did to several spots of a piece is told once. */
function passesOf({ sinkSteps, pieces, ownAgents }: Bundle): PassStory[] {
  const passes = new Map<string, { steps: Bundle['sinkSteps'] }>();
  for (const step of [...sinkSteps].sort((a, b) => a.startedAt.localeCompare(b.startedAt))) {
    const key = [step.startedAt, step.agent, step.pieceId].join();
    passes.set(key, { steps: [...(passes.get(key)?.steps ?? []), step] });
  }
  return [...passes.values()].map(({ steps }) => {
    const [step] = steps as [Bundle['sinkSteps'][number]];
    const came = (outcome: Outcome | null, words: string) =>
      [outcome ?? 'not answered yet', words].filter(Boolean).join(': ');
    return {
      id: step.id,
      at: step.startedAt,
      what: `${agentOf(step.agent, ownAgents).title} on ${pieces.find(({ id }) => id === step.pieceId)?.tag ?? 'the machine'}`,
      came: [...new Set(steps.map(({ outcome, words }) => came(outcome, words)))].join('; '),
      cautions: step.cautions.map(({ hazard }) => hazard),
    };
  });
}

/** What happened several times in the same words is told once, with how often. */
export function counted(lines: readonly string[]): string[] {
  const times = new Map<string, number>();
  for (const line of lines) times.set(line, (times.get(line) ?? 0) + 1);
  return [...times].map(([line, n]) => (n === 1 ? line : `${line} (${n} times)`));
}

const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);

/** A restoration's story in order, from its bundle. */
export function tellStory(bundle: Bundle): Story {
  const { currency, hourlyRateMinor } = bundle.workshop;
  const money = (minor: number) => formatMoney(minor, currency);
  const treats = (finding: Finding) =>
    proposalFor(finding, bundle.pieces.find(({ id }) => id === finding.pieceId)?.aim ?? bundle.restoration.aim).stage ??
    finding.stage;
  const reworded = new Set(bundle.log.map(({ corrects }) => corrects));
  const stages = STAGES.map((stage): StageStory => {
    const ledger = bundle.ledger.filter((entry) => entry.stage === stage);
    const row = bundle.stages.find((s) => s.stage === stage);
    return {
      stage,
      state: row?.state ?? 'open',
      reason: row?.reason ?? null,
      photos: bundle.photos.filter((photo) => photo.stage === stage),
      notes: bundle.log
        .filter((entry) => entry.stage === stage && entry.kind === 'note' && !reworded.has(entry.id))
        .map(({ words }) => words),
      findings: bundle.findings.filter((finding) => finding.stage === stage),
      settled: bundle.findings.filter(
        (finding) => finding.settledAs !== null && finding.stage !== stage && treats(finding) === stage,
      ),
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
        sessions: bundle.sessions
          .filter(({ treatmentId }) => treatmentId === treatment.id)
          .map((session) => ({ ...session, together: companionsOf(bundle, session) })),
      })),
    };
  });
  const tag = (pieceId: string | null) => bundle.pieces.find(({ id }) => id === pieceId)?.tag;
  const undone = [
    ...bundle.findings
      .filter(
        ({ settledAs, kind }) =>
          settledAs !== 'done' && (settledAs !== null || (kind !== 'keep this mark' && kind !== 'sound on purpose')),
      )
      .map(
        ({ pieceId, kind, words, settledAs, settledWords }) =>
          `${[tag(pieceId), kind].filter(Boolean).join(' ')}${words && `: ${words}`} (${settledAs ?? 'open'}${settledWords ? `, ${settledWords}` : ''})`,
      ),
    ...stages
      .filter(({ state, stage }) => state === 'open' && stage !== 'record')
      .map(({ stage }) => `stage ${stage} is still open`),
  ];
  const of = (kind: LedgerEntry['kind']) => bundle.ledger.filter((entry) => entry.kind === kind);
  const price = sum(of('price').map(({ amountMinor }) => amountMinor));
  const materials = sum(of('material').map(({ amountMinor }) => amountMinor));
  const minutes = sum(of('minutes').map((entry) => entry.minutes));
  const work = workCost(minutes, hourlyRateMinor);
  const originality = originalityByRecord(bundle);
  return {
    bundle,
    original: originality.shares.map(({ state, share }) => `${shareWords(share)} ${state}`).join(', '),
    notOriginal: originality.pieces.flatMap(({ pieceId, facts }) =>
      facts
        .filter(({ state }) => !isOriginal(state))
        .map(({ what, state, share, words }) =>
          [
            `${tag(pieceId) ?? ''} ${what || 'all of it'}: ${state}`,
            ...(share === null ? [] : [`${shareWords(share)} of the piece`]),
            ...(words ? [words] : []),
          ].join(', '),
        ),
    ),
    pieces,
    stages,
    passes: passesOf(bundle),
    tested: [...bundle.functionTests]
      .sort((a, b) => a.at.localeCompare(b.at))
      .map((test) => ({
        id: test.id,
        at: test.at,
        phase: test.phase,
        found: [foundWords(test), ...(test.waivedWhy === null ? [] : [`waived: ${test.waivedWhy}`])].join('; '),
      })),
    marks: marksToKeep(bundle.findings, null),
    undone,
    asked: bundle.requests,
    replaced: bundle.lots
      .filter(({ fate, words }) => fate === 'replaced' || words !== '')
      .map((lot) =>
        [bundle.removalSteps.find(({ id }) => id === lot.stepId)?.name, lotWords(lot), lot.words || lot.fate]
          .filter(Boolean)
          .join(': '),
      ),
    cost: {
      price: money(price),
      materials: money(materials),
      minutes,
      work: money(work),
      total: money(price + materials + work),
    },
  };
}
