import type { Measurement, Piece } from '@/data/rows';
import type { ScaleMark } from '@/ui/PlasticScale';

export interface PieceSight {
  piece: Piece;
  first: Measurement | null;
  latest: Measurement | null;
}

/** The marks of a piece on the plastic scale. */
export function marksOf({ piece, first, latest }: PieceSight): ScaleMark[] {
  return [
    ...(piece.hiddenLab ? [{ lab: piece.hiddenLab, label: 'hidden patch', kind: 'hidden' as const }] : []),
    ...(first?.lab && first.id !== latest?.id ? [{ lab: first.lab, label: 'at first', kind: 'earlier' as const }] : []),
    ...(latest?.lab ? [{ lab: latest.lab, label: 'now', kind: 'now' as const }] : []),
  ];
}

/** How far a piece is from its hidden patch, in words. */
export function distanceWords({ latest }: PieceSight): string {
  if (!latest) return 'not measured yet';
  if (latest.deltaE00 === null || latest.deltaB === null) return 'measured without a hidden patch';
  return `ΔE00 ${latest.deltaE00.toFixed(1)}, b* ${latest.deltaB >= 0 ? '+' : '−'}${Math.abs(latest.deltaB).toFixed(1)}: ${latest.verdict ?? ''}`;
}
