import type { TakenBack } from './rows';
import { findColumns, select } from './table';

/** So much that was taken back can be brought back from its list. */
const MOST_SHOWN = 40;

/** What was taken back and is not here again, the newest first. */
export const takenBackOf = (restorationId: string | null): Promise<Pick<TakenBack, 'id' | 'what' | 'at'>[]> =>
  findColumns('taken_back', ['id', 'what', 'at'], { restorationId, broughtBackAt: null }, [['at', 'DESC']], MOST_SHOWN);

/** Something that was taken back, of any machine. */
export type TakenBackAnywhere = Pick<TakenBack, 'id' | 'what' | 'at' | 'restorationId'> & { title: string | null };

/** Of every machine and of the workshop, the newest first, and how many there are in all. */
export async function takenBackAnywhere(): Promise<{ taken: TakenBackAnywhere[]; all: number }> {
  const from = `FROM taken_back LEFT JOIN restorations ON restorations.id = taken_back.restorationId WHERE broughtBackAt IS NULL`;
  const [taken, [count]] = await Promise.all([
    select<TakenBackAnywhere>(
      `SELECT taken_back.id, what, at, restorationId, title ${from} ORDER BY at DESC, taken_back.id LIMIT :most`,
      { most: MOST_SHOWN },
    ),
    select<{ all: number }>(`SELECT COUNT(*) AS "all" ${from}`),
  ]);
  return { taken, all: count!.all };
}

/** Photographs among what was taken back, for a query: each as `part.value`. */
export const TAKEN_PHOTOS = `FROM taken_back, json_each(taken_back.removed) AS part
  WHERE taken_back.broughtBackAt IS NULL AND json_extract(part.value, '$.table') = 'photos'`;

/** Whether a photograph of this hash was taken back and can still be brought back. */
export async function isTakenPhoto(hash: string): Promise<boolean> {
  const found = await select(`SELECT 1 ${TAKEN_PHOTOS} AND json_extract(part.value, '$.row.hash') = :hash LIMIT 1`, {
    hash,
  });
  return found.length > 0;
}

/** Files of the photographs that were taken back up to a time, or with a restoration. */
export const takenPhotos = (
  of: { upTo: string } | { restorationId: string },
): Promise<{ hash: string; extension: string }[]> =>
  select(
    `SELECT DISTINCT json_extract(part.value, '$.row.hash') AS hash, json_extract(part.value, '$.row.extension') AS extension
      ${TAKEN_PHOTOS} AND ${'upTo' in of ? 'at <= :upTo' : 'restorationId = :restorationId'}`,
    of,
  );
