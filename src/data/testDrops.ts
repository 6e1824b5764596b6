import { Op } from 'sequelize';
import type { DropUse } from '@/core/finish/dropUses';
import type { TestDropRow } from './rows';
import { findRows } from './table';

/** Test drops of a machine, in the order in which they were made. */
export const dropsOf = (restorationId: string, use: DropUse): Promise<TestDropRow[]> =>
  findRows('test_drops', { restorationId, use }, [['rowid', 'ASC']]);

/** Test drops of the same bases on other machines: what they tell of pigments holds for all. */
export const dropsElsewhere = (restorationId: string, use: DropUse): Promise<TestDropRow[]> =>
  findRows('test_drops', { restorationId: { [Op.ne]: restorationId }, use }, [['rowid', 'ASC']]);
