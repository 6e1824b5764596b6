import type { Measurement, Piece } from '@/data/rows';
import { scaleMarks, type ScaleMark } from '@/ui/scaleMarks';

export interface PieceSight {
  piece: Piece;
  first: Measurement | null;
  latest: Measurement | null;
}

/** The marks of a piece on the plastic scale. */
export const marksOf = ({ piece, first, latest }: PieceSight): ScaleMark[] =>
  scaleMarks({
    hidden: piece.hiddenLab,
    first: first && first.id !== latest?.id ? first.lab : null,
    now: latest?.lab ?? null,
  });

/** How far a piece is from its hidden patch, in words. */
export function distanceWords({ latest }: PieceSight): string {
  if (!latest) return 'not measured yet';
  if (latest.deltaE00 === null || latest.deltaB === null) return 'measured without a hidden patch';
  return `ΔE00 ${latest.deltaE00.toFixed(1)}, b* ${latest.deltaB >= 0 ? '+' : '−'}${Math.abs(latest.deltaB).toFixed(1)}: ${latest.verdict ?? ''}`;
}
