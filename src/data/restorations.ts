import { NOT_AWAY, NOT_GONE } from './putAway';
import { literal, Op } from 'sequelize';
import type { Restoration } from './rows';
import { findColumns, findRows, likeWords, select } from './table';
import type { Stage } from '@/core/runsheet/stages';

/** Newest first. */
export const listRestorations = (): Promise<Restoration[]> => findRows('restorations', {}, [['openedAt', 'DESC']]);

export type Shown = 'open' | 'finished' | 'all' | 'put away';

/** What a list shows of a restoration: words alone, so that one that is damaged still stands in it. */
export type Listed = Pick<Restoration, 'id' | 'title' | 'machine' | 'condition'>;

/** Put away to stay. What was deleted has a place of its own. */
const KEPT_AWAY = 'EXISTS (SELECT 1 FROM put_away WHERE put_away.id = restorations.id AND goesAt IS NULL)';

/** A page of restorations, the one that was worked on last first, and how many there are in all. */
export async function restorationsPage(
  shown: Shown,
  words: string,
  page: number,
  size: number,
): Promise<{ restorations: Listed[]; all: number }> {
  const wanted = [
    { open: 'closedAt IS NULL', finished: 'closedAt IS NOT NULL', all: '1', 'put away': '1' }[shown],
    shown === 'put away' ? KEPT_AWAY : NOT_AWAY,
    ...(words
      ? [`(title LIKE :like ESCAPE '\\' OR machine LIKE :like ESCAPE '\\' OR owner LIKE :like ESCAPE '\\')`]
      : []),
  ].join(' AND ');
  const given = { like: `%${likeWords(words)}%`, size, skip: size * page };
  const [ids, [count]] = await Promise.all([
    select<{ id: string }>(
      `SELECT restorations.id FROM restorations LEFT JOIN worked ON worked.id = restorations.id WHERE ${wanted}
        ORDER BY COALESCE(logId, 0) DESC, restorations.id LIMIT :size OFFSET :skip`,
      given,
    ),
    select<{ all: number }>(`SELECT COUNT(*) AS "all" FROM restorations WHERE ${wanted}`, given),
  ]);
  const found = await findColumns('restorations', ['id', 'title', 'machine', 'condition'], {
    id: ids.map(({ id }) => id),
  });
  return { restorations: ids.flatMap(({ id }) => found.find((known) => known.id === id) ?? []), all: count!.all };
}

/** This restoration, and the others whose stage is open that were worked on last. */
export async function withOthersAt(
  stage: Stage,
  restorationId: string,
  others: number,
): Promise<Pick<Restoration, 'id' | 'title' | 'aim'>[]> {
  const ids = await select<{ id: string }>(
    `SELECT restorations.id FROM restorations JOIN stages ON stages.restorationId = restorations.id AND stage = :stage AND state = 'open'
      LEFT JOIN worked ON worked.id = restorations.id
      WHERE closedAt IS NULL AND ${NOT_AWAY} AND restorations.id <> :restorationId ORDER BY COALESCE(logId, 0) DESC LIMIT :others`,
    { stage, restorationId, others },
  );
  return findColumns(
    'restorations',
    ['id', 'title', 'aim'],
    { id: [restorationId, ...ids.map(({ id }) => id)], closedAt: null },
    [['openedAt', 'DESC']],
  );
}

/** Restorations by their titles alone, of these ids. */
export async function titlesOf(ids: string[]): Promise<Map<string, string>> {
  const found = await findColumns('restorations', ['id', 'title'], { id: [...new Set(ids)] });
  return new Map(found.map(({ id, title }) => [id, title]));
}

/** All that are open and not put away, as the plan of the bench sees them. */
export async function openRestorations(): Promise<Pick<Restoration, 'id' | 'title' | 'aim'>[]> {
  const ids = await select<{ id: string }>(
    `SELECT restorations.id FROM restorations WHERE closedAt IS NULL AND ${NOT_AWAY} ORDER BY restorations.id`,
  );
  return findColumns('restorations', ['id', 'title', 'aim'], { id: ids.map(({ id }) => id) }, [['openedAt', 'ASC']]);
}

/** A restoration; `null` where there is none, or where only its log is left. */
export const findRestoration = async (id: string): Promise<Restoration | null> =>
  (await findRows('restorations', { id, [Op.and]: literal(NOT_GONE) }, undefined, 1))[0] ?? null;
