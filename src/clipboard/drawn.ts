import type { Finding } from '@/data/rows';

/** What the form of a finding is drawn with; it sends it along, so that nothing is wiped by a stale page. */
export const findingDrawn = ({ kind, severity, part, pieceId, words }: Finding) => ({
  kind,
  severity,
  part,
  pieceId: pieceId ?? '',
  words,
});
