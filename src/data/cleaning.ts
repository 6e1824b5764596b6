import type { OwnSurfaceRow, TubRow } from './rows';
import { findRows } from './table';
import type { OwnKnowledge } from '@/core/cleaning/ladder';
import { Op } from 'sequelize';

/** Surfaces that this workshop added. */
export const ownSurfaces = (): Promise<OwnSurfaceRow[]> => findRows('own_surfaces', {}, [['addedAt', 'ASC']]);

/** What this workshop has seen, forbidden and does not own. */
export async function ownKnowledge(): Promise<OwnKnowledge> {
  const [tried, verdicts, off, agents, surfaces] = await Promise.all([
    findRows('learnt_outcomes', { times: { [Op.gt]: 0 } }),
    findRows('own_verdicts', {}, [['rowid', 'ASC']]),
    findRows('agents_off', {}),
    findRows('own_agents', {}, [['addedAt', 'ASC']]),
    ownSurfaces(),
  ]);
  return { tried, verdicts, off: off.map(({ id }) => id), agents, surfaces };
}

export const listTubs = (): Promise<TubRow[]> => findRows('tubs', {}, [['addedAt', 'ASC']]);
