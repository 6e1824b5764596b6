import type { Measurement } from '@/data/rows';

/** How far a piece is from its hidden patch, as last measured, in a few words. */
export function distanceWords(latest: Pick<Measurement, 'deltaB' | 'verdict'> | null): string {
  if (latest?.deltaB == null) return 'not measured';
  return `${Math.abs(latest.deltaB).toFixed(1)} of b* ${latest.deltaB < 0 ? 'below it' : 'away'}, ${latest.verdict ?? ''}`;
}
