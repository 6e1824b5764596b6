import { findRow } from './table';

/** Restorations that are not put away, for a query over several. */
export const NOT_AWAY = 'NOT EXISTS (SELECT 1 FROM put_away WHERE put_away.id = restorations.id)';

export const isAway = async (restorationId: string): Promise<boolean> =>
  (await findRow('put_away', restorationId)) !== null;
