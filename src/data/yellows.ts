import { yellowSeverity } from '@/core/colour/distanceInWords';
import { proposalFor, type Asking } from '@/core/intake/proposals';
import { isPlastic } from '@/core/runsheet/stages';
import { findingsOf } from './findings';
import { latestOf } from './measurements';
import { piecesOf } from './pieces';
import type { Measurement, Piece } from './rows';
import { needRow } from './table';

/** A piece that was measured yellow, of which no finding says so. */
export interface MeasuredYellow extends Asking {
  pieceId: string;
  piece: Piece;
  /** b* above its hidden patch, as last measured. */
  deltaB: number;
  measured: Measurement;
}

/**
 * What measuring says asks for brightening, under the aim of each piece: a finding of yellow answers for its piece, or for
 * the whole machine, whatever became of it. The yellowest first.
 */
export async function measuredYellows(restorationId: string): Promise<MeasuredYellow[]> {
  const [{ aim }, pieces, findings] = await Promise.all([
    needRow('restorations', restorationId),
    piecesOf(restorationId),
    findingsOf(restorationId),
  ]);
  const answered = findings.filter(({ kind }) => kind === 'yellowed').map(({ pieceId }) => pieceId);
  if (answered.includes(null)) return [];
  const open = pieces.filter(({ id, plastic }) => isPlastic(plastic) && !answered.includes(id));
  const latest = await latestOf(open.map(({ id }) => id));
  const asking = open.flatMap((piece) => {
    const measured = latest.get(piece.id);
    const deltaB = measured?.deltaB ?? 0;
    const severity = yellowSeverity(deltaB);
    if (!measured || !severity) return [];
    const yellow: Asking = { kind: 'yellowed', severity, part: 'case' };
    return proposalFor(yellow, piece.aim ?? aim).stage === 'brighten'
      ? [{ ...yellow, pieceId: piece.id, piece, deltaB, measured }]
      : [];
  });
  return asking.sort((one, other) => other.deltaB - one.deltaB);
}
