import type { FaultKind } from '../face/fault';
import type { Conduct } from './session';

/** The mistake that leaves each fault behind. */
export const MISTAKE: Record<FaultKind, Partial<Conduct>> = {
  even: {},
  'fold lines': { film: 'wrinkled' },
  'one side': { turned: false },
  'thick spots': { spread: 'thick in places' },
  marbling: { stirred: false },
};
