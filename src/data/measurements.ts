import type { Measurement } from './rows';
import { findRows, select } from './table';
import type { Srgb } from '@/core/colour/types';

/** Region of the piece itself in a spec of the measuring screen. */
export const PIECE_REGION = 'piece';

/** Region of the hidden patch. */
export const HIDDEN_REGION = 'hidden';

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

/** So far back is looked for a measurement by the card itself. */
const CARDS_LOOKED_AT = 40;

/** The colour that the workshop's grey card was given when it was last measured with; `null` before. */
export async function lastCardColour(): Promise<Srgb | null> {
  const last = await findRows('measurements', { basis: 'card' }, [['measuredAt', 'DESC']], CARDS_LOOKED_AT);
  // The greys of a printed sheet are not the card's.
  const patches = last.flatMap(({ spec }) => spec.card);
  return patches.find(({ kind, sheet }) => kind === 'known' && sheet === undefined)?.srgb ?? null;
}
