import type { MendOutcome, MendWay } from '../mending/repair/ways';
import { isLast, type CoatKind } from './coatKinds';
import { lostOrigin, type LostWay } from './lostMarks';
import { originalityOf, originOfWay, surfaceMm2, type Origin, type OriginFact, type Sized } from './originality';

interface OfPiece {
  pieceId: string | null;
}

/** What a restoration holds that says how original its pieces are. */
export interface WhatWasDone {
  pieces: readonly Sized[];
  origins: readonly { pieceId: string; what: string; state: Origin; share: number | null; words: string }[];
  coatJobs: readonly (OfPiece & { id: string; name: string; areaCm2: number })[];
  coats: readonly { jobId: string; kind: CoatKind; laidAt: string | null }[];
  lostMarks: readonly (OfPiece & { name: string; way: LostWay | null; doneAt: string | null })[];
  repairs: readonly (OfPiece & { name: string; way: MendWay | null; outcome: MendOutcome | null })[];
  sinkSteps: readonly (OfPiece & { endedAt: string | null })[];
  treatments: readonly (OfPiece & { endedAt: string | null })[];
}

/** Coated so far it is coated all over: what sits under a label or inside nobody counts. */
const NEARLY_ALL = 0.4;
/** A stripe or a legend is so much of a piece. */
const OF_A_MARK = 0.01;

/** All that is known of how original the pieces are: what was done to each, and what somebody said. */
function originFacts(done: WhatWasDone): OriginFact[] {
  const record = (fact: Omit<OriginFact, 'by' | 'share'> & { share?: number }): OriginFact => ({
    ...{ share: null, by: 'record' },
    ...fact,
  });
  const cleaned = new Set(
    [...done.sinkSteps, ...done.treatments].flatMap(({ pieceId, endedAt }) =>
      endedAt === null ? [] : (pieceId ?? []),
    ),
  );
  return [
    ...[...cleaned].map((pieceId) => record({ pieceId, what: '', state: 'cleaned', words: 'washed or brightened' })),
    ...done.repairs.flatMap(({ pieceId, name, way, outcome }): OriginFact[] => {
      const state = way && originOfWay(way);
      return pieceId === null || !state || outcome === null || outcome === 'does not hold'
        ? []
        : [record({ pieceId, what: name, state, words: way })];
    }),
    ...done.coatJobs.flatMap(({ id, pieceId, name, areaCm2 }): OriginFact[] => {
      // Wax and protectant come off again.
      const laid = done.coats.filter(({ jobId, kind, laidAt }) => jobId === id && laidAt !== null && !isLast(kind));
      const piece = done.pieces.find((one) => one.id === pieceId);
      if (!piece || laid.length === 0) return [];
      const all = surfaceMm2(piece);
      const share = all === null ? 1 : Math.min(1, (100 * areaCm2) / all);
      const words = laid.map(({ kind }) => kind).join(', ');
      return [record({ pieceId: piece.id, what: share > NEARLY_ALL ? '' : name, state: 'refinished', share, words })];
    }),
    ...done.lostMarks.flatMap(({ pieceId, name, way, doneAt }): OriginFact[] => {
      const state = way && lostOrigin(way);
      return pieceId === null || !state || doneAt === null
        ? []
        : [record({ pieceId, what: name, state, share: OF_A_MARK, words: way })];
    }),
    ...done.origins.map(({ pieceId, what, state, share, words }): OriginFact => ({
      pieceId,
      what,
      state,
      share,
      words,
      by: 'told',
    })),
  ];
}

/** How original a machine is, piece by piece and as a whole, by all that its record holds. */
export const originalityByRecord = (done: WhatWasDone) => originalityOf(done.pieces, originFacts(done));
