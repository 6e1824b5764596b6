import type { OwnerRequest } from './rows';
import { findRows } from './table';

/** In the order they were asked. */
export const requestsOf = (restorationId: string): Promise<OwnerRequest[]> =>
  findRows('requests', { restorationId }, [['askedAt', 'ASC']]);
