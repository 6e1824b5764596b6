import type { Lab } from '@/core/colour/types';
import { HIDDEN_REGION } from '@/data/measurements';
import type { Measurement } from '@/data/rows';
import { changeRow, findRows } from '@/data/table';

/**
 * Where a piece's hidden patch is: the mean of all readings of it with a card, since each has its own error.
 *
 * @returns `null` where it was never seen with a card
 */
function hiddenOf(measurements: readonly Pick<Measurement, 'basis' | 'hiddenLab' | 'result'>[]): Lab | null {
  const readings = measurements.flatMap(({ basis, hiddenLab, result }) =>
    basis === 'card' && hiddenLab && result.regions.some(({ id }) => id === HIDDEN_REGION) ? [hiddenLab] : [],
  );
  if (readings.length === 0) return null;
  const mean = (channel: 0 | 1 | 2) => readings.reduce((sum, lab) => sum + lab[channel], 0) / readings.length;
  return [mean(0), mean(1), mean(2)];
}

/** Counts a piece's target anew, after a measurement of it came, went or came back. */
export async function countHidden(pieceId: string): Promise<void> {
  const hiddenLab = hiddenOf(await findRows('measurements', { pieceId }));
  await changeRow('pieces', { id: pieceId }, { hiddenLab });
}
