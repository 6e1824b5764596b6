import type { Lab } from '@/core/colour/types';
import { HIDDEN_REGION } from '@/data/measurements';
import type { Measurement } from '@/data/rows';

/**
 * Where a piece's hidden patch is: the mean of all readings of it with a card, since each has its own error.
 *
 * @returns `null` where it was never seen with a card
 */
export function hiddenOf(measurements: readonly Pick<Measurement, 'basis' | 'hiddenLab' | 'result'>[]): Lab | null {
  const readings = measurements.flatMap(({ basis, hiddenLab, result }) =>
    basis === 'card' && hiddenLab && result.regions.some(({ id }) => id === HIDDEN_REGION) ? [hiddenLab] : [],
  );
  if (readings.length === 0) return null;
  const mean = (channel: 0 | 1 | 2) => readings.reduce((sum, lab) => sum + lab[channel], 0) / readings.length;
  return [mean(0), mean(1), mean(2)];
}
