import { type Ladder, type OwnKnowledge, type Rung, type Spot, cleaningLadder } from '@/core/cleaning/ladder';
import { type NamedSpot, nextRung, planPiece } from '@/core/cleaning/plan';
import type { Aim } from '@/core/intake/aim';
import { marksToKeep } from '@/core/intake/marks';
import { proposalFor } from '@/core/intake/proposals';
import type { AgentId } from '@/core/materials/agents';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import type { SurfaceId } from '@/core/materials/surfaces';
import { ownKnowledge } from '@/data/cleaning';
import { findingsOf } from '@/data/findings';
import { piecesOfAll } from '@/data/pieces';
import type { Finding, Piece, Restoration, SinkStep } from '@/data/rows';
import { ofEach } from '@/data/ofEach';
import { findRows, needRow } from '@/data/table';
import { inTurns } from '@/data/turns';

/** A finding that asks for the wash, with its ladder and how far it has come. */
export interface WashSpot {
  finding: Finding;
  piece: Piece | null;
  /** `null` until somebody has said what it is made of. */
  spot: Spot | null;
  ladder: Ladder | null;
  done: SinkStep[];
  running: SinkStep | null;
  next: Rung | null;
  /** What is to be kept as it is there, in words. */
  marks: string[];
}

/**
 * The machine as a whole: what is done to it must be borne by brittle shells, prints and coats alike, its labels are
 * covered, and nothing bathes it while its boards are in it. Tagged pieces have their own, gentler rules.
 */
const WHOLE = {
  surfaces: ['abs-flame-retarded', 'polystyrene', 'legend-printed', 'painted-plastic'] as SurfaceId[],
  paperLabel: 'labels on the machine',
  metalInside: 'its boards and its metal, as long as it is in one piece',
};

/** Every spot of a restoration that the wash is asked for, in the order found. */
export async function washSpots(restorationId: string, own?: OwnKnowledge): Promise<WashSpot[]> {
  const restoration = await needRow('restorations', restorationId);
  return (await washSpotsOf([restoration], own ?? (await ownKnowledge()))).get(restorationId)!;
}

/** Those of several restorations, read in as many queries as of one. */
export async function washSpotsOf(
  restorations: readonly Pick<Restoration, 'id' | 'aim'>[],
  own: OwnKnowledge,
): Promise<Map<string, WashSpot[]>> {
  const ids = restorations.map(({ id }) => id);
  const [findings, pieces, steps] = [
    await findingsOf(ids),
    await piecesOfAll(ids),
    await findRows('sink_steps', { restorationId: ids }, [['rowid', 'ASC']]),
  ];
  const rowsOf = ofEach();
  return new Map(
    await inTurns(restorations, (restoration) => {
      const of = rowsOf(restoration.id);
      return [restoration.id, spotsOf(restoration, of(findings), of(pieces), of(steps), own)] as const;
    }),
  );
}

function spotsOf(
  restoration: Pick<Restoration, 'aim'>,
  findings: readonly Finding[],
  pieces: readonly Piece[],
  steps: readonly SinkStep[],
  own: OwnKnowledge,
): WashSpot[] {
  const asked = findings.flatMap((finding) => {
    const piece = pieces.find(({ id }) => id === finding.pieceId) ?? null;
    const aim = piece?.aim ?? restoration.aim;
    const failed = steps
      .filter(
        ({ findingId, outcome }) =>
          (findingId === finding.id || findingId === finding.continues) && outcome === 'no change',
      )
      .map(({ agent }) => agent);
    return proposalFor(finding, aim).stage === 'wash'
      ? [{ finding, piece, spot: spotFor(finding, piece, aim, failed) }]
      : [];
  });
  const ladders = laddersFor(asked, own);
  return asked.map(({ finding, piece, spot }): WashSpot => {
    const all = steps.filter((step) => step.findingId === finding.id);
    const before = steps.filter((step) => step.findingId === finding.continues && step.endedAt !== null).map(leftSome);
    const done = [...before, ...all.filter(({ endedAt }) => endedAt !== null)];
    const running = all.find(({ endedAt }) => endedAt === null) ?? null;
    const ladder = ladders.get(finding.id) ?? null;
    const passes = done.flatMap(({ agent, outcome }) => (outcome === null ? [] : [{ agent, outcome }]));
    const next = ladder !== null && finding.settledAs === null && running === null ? nextRung(ladder, passes) : null;
    return { finding, piece, spot, ladder, done, running, next, marks: marksToKeep(findings, finding.pieceId) };
  });
}

/** What a pass before came to, seen from a spot that it left over: it did not take that. */
const leftSome = (step: SinkStep): SinkStep =>
  step.outcome === 'gone' || step.outcome === 'better' ? { ...step, outcome: 'no change' } : step;

function spotFor(finding: Finding, piece: Piece | null, aim: Aim, failed: readonly AgentId[]): Spot | null {
  if (finding.soil === null) return null;
  return {
    soil: finding.soil,
    surfaces: piece ? surfacesOfPiece(piece) : WHOLE.surfaces,
    severity: finding.severity,
    visible: finding.visible,
    aim,
    paperLabel: piece ? piece.labels : WHOLE.paperLabel,
    metalInside: piece ? piece.metalInside : WHOLE.metalInside,
    failed,
  };
}

/** Ladders by finding. The open spots of one piece are planned together: what may never meet stands on none of them twice. */
function laddersFor(asked: readonly { finding: Finding; spot: Spot | null }[], own: OwnKnowledge): Map<string, Ladder> {
  const ladders = new Map<string, Ladder>();
  const byPiece = new Map<string | null, NamedSpot[]>();
  for (const { finding, spot } of asked) {
    if (!spot) continue;
    // What is settled binds nobody any more.
    if (finding.settledAs !== null) ladders.set(finding.id, cleaningLadder(spot, own));
    else
      byPiece.set(finding.pieceId, [
        ...(byPiece.get(finding.pieceId) ?? []),
        { ...spot, id: finding.id, name: finding.words || finding.kind },
      ]);
  }
  for (const spots of byPiece.values())
    for (const { spot, ladder } of planPiece(spots, own).ladders) ladders.set(spot.id, ladder);
  return ladders;
}
