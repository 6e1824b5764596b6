import type { TakenBack } from './rows';
import { findColumns } from './table';

/** So much that was taken back can be brought back from its list. */
const MOST_SHOWN = 40;

/** What was taken back and is not here again, the newest first. */
export const takenBackOf = (restorationId: string | null): Promise<Pick<TakenBack, 'id' | 'what' | 'at'>[]> =>
  findColumns('taken_back', ['id', 'what', 'at'], { restorationId, broughtBackAt: null }, [['at', 'DESC']], MOST_SHOWN);
