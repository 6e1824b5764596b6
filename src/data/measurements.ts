import { Refusal } from '@/core/refusal';
import type { Srgb } from '@/core/colour/types';
import type { MeasureResult } from '@/core/picture/measure';
import type { MeasureSpec } from '@/core/picture/spec';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { seenAgain } from './looks';
import { appendLog } from './log';
import type { Measurement } from './rows';
import { addRow, changeRow, findRows, needRow, select } from './table';

/** Region of the piece itself in a spec of the measuring screen. */
export const PIECE_REGION = 'piece';
/** Region of the hidden patch. */
export const HIDDEN_REGION = 'hidden';

/** Two clocks may be so far apart. */
const AHEAD_MS = 5 * 60_000;

const IN_ORDER = [
  ['measuredAt', 'ASC'],
  ['id', 'ASC'],
] satisfies [string, string][];

/** Oldest first. */
export const measurementsOf = (restorationId: string | string[]): Promise<Measurement[]> =>
  findRows('measurements', { restorationId }, IN_ORDER);
export const measurementsOfPiece = (pieceId: string): Promise<Measurement[]> =>
  findRows('measurements', { pieceId }, IN_ORDER);

/** The newest of each piece, by piece. */
export async function latestOf(pieceIds: string[]): Promise<Map<string, Measurement>> {
  const rows = await select<{ id: string }>(
    `SELECT id FROM (SELECT id, ROW_NUMBER() OVER (PARTITION BY pieceId ORDER BY measuredAt DESC, id DESC) AS place FROM measurements
      WHERE pieceId IN (:pieceIds)) WHERE place = 1`,
    { pieceIds: pieceIds.length > 0 ? pieceIds : [''] },
  );
  const found = await findRows('measurements', { id: rows.map(({ id }) => id) });
  return new Map(found.map((measurement) => [measurement.pieceId, measurement]));
}

/** The colour that the workshop's grey card was given when it was last measured with; `null` before. */
export async function lastCardColour(): Promise<Srgb | null> {
  const [last] = await findRows('measurements', { basis: 'card' }, [['measuredAt', 'DESC']], 1);
  return last?.spec.card.find(({ kind }) => kind === 'known')?.srgb ?? null;
}

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
 * Its hidden patch becomes the piece's target the first time it is seen with a card.
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
    if (hidden && result.basis === 'card' && !piece.hiddenLab)
      await changeRow('pieces', { id: pieceId }, { hiddenLab: hidden });
    await seenAgain(measurement);
    const distance =
      deltaE00 === null
        ? 'no hidden patch to compare with'
        : `ΔE00 ${deltaE00.toFixed(1)}, b* ${(deltaB ?? 0).toFixed(1)} from the hidden patch, ${verdict ?? ''}`;
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
