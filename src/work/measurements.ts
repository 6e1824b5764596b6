import { signed } from '@/core/colour/signed';
import { seenAgain } from './brighten/looks';
import type { MeasureResult } from '@/core/picture/measure';
import type { MeasureSpec } from '@/core/picture/spec';
import { countHidden } from './hidden';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { HIDDEN_REGION, PIECE_REGION } from '@/data/measurements';
import type { Measurement } from '@/data/rows';
import { addRow, needRow } from '@/data/table';

export interface NewMeasurement {
  /** When the picture was taken, ISO 8601; now where nobody knows better. */
  takenAt?: string | null;
  pieceId: string;
  photoId: string;
  stage: Stage;
  spec: MeasureSpec;
  result: MeasureResult;
}

/**
 * Keeps a measurement, dated by its picture: what it says is how the piece was then, whenever somebody came to measure.
 * The mean of all readings of its hidden patch is the piece's target.
 *
 * @throws Refusal for a picture that is not taken yet
 */
export async function keepMeasurement(
  { pieceId, photoId, stage, spec, result, takenAt = null }: NewMeasurement,
  now: Date,
): Promise<Measurement> {
  return inTransaction(async () => {
    const piece = await needRow('pieces', pieceId);
    const photo = await needRow('photos', photoId);
    if (photo.restorationId !== piece.restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this piece.');
    if (takenAt !== null && Date.parse(takenAt) > now.getTime() + AHEAD_MS)
      throw new Refusal(
        'takenAt',
        'This picture would be taken in the future. Give when it was taken; the camera’s clock may be wrong.',
      );
    const own = result.regions.find(({ id }) => id === PIECE_REGION);
    if (!own)
      throw new Refusal('result', 'The measurement holds no piece. Draw the piece’s outline and measure again.');
    const hidden = result.regions.find(({ id }) => id === HIDDEN_REGION)?.lab ?? spec.referenceLab ?? null;
    const { restorationId } = piece;
    const { lab, deltaE00, deltaB, yellownessIndex, verdict } = own;
    const row = {
      restorationId,
      pieceId,
      photoId,
      stage,
      measuredAt: takenAt ?? now.toISOString(),
      spec,
      result,
      basis: result.basis,
      lab,
      hiddenLab: hidden,
      deltaE00,
      deltaB,
      yellownessIndex,
      verdict,
    };
    const measurement = await addRow('measurements', row);
    if (result.basis === 'card' && result.regions.some(({ id }) => id === HIDDEN_REGION)) await countHidden(pieceId);
    await seenAgain(measurement);
    const distance =
      deltaE00 === null
        ? 'no hidden patch to compare with'
        : `ΔE00 ${deltaE00.toFixed(1)}, b* ${signed(deltaB ?? 0)} from the hidden patch, ${verdict ?? ''}`;
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'measured',
        words: `Measured ${piece.tag} ${piece.name}: ${distance}.`,
        data: { measurementId: measurement.id },
      },
      now,
    );
    return measurement;
  });
}

/** Two clocks may be so far apart. */
const AHEAD_MS = 5 * 60_000;
