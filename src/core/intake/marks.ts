import type { FindingKind, Settlement } from './findings';

interface Marked {
  kind: FindingKind;
  words: string;
  pieceId: string | null;
  settledAs: Settlement | null;
}

/**
 * What is to be kept as it is, in words: what intake said of a piece, and what it said of the machine as a whole, which
 * may be on any of them. Of the machine as a whole (`null`) it is every mark.
 */
export const marksToKeep = (findings: readonly Marked[], pieceId: string | null): string[] =>
  findings
    .filter(
      ({ kind, settledAs, pieceId: of }) =>
        kind === 'keep this mark' && settledAs === null && (pieceId === null || of === null || of === pieceId),
    )
    .map(({ words }) => words || 'a mark that nobody named');
