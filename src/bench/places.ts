import type { Timer } from '@/data/rows';

/** Where a timer is attended to. */
export const placeOf = ({ restorationId, pieceId, sessionId, plannedTo }: Timer) =>
  restorationId && (sessionId || plannedTo)
    ? `/restorations/${restorationId}/brighten${sessionId ? '' : '/plan'}?piece=${pieceId}`
    : '/#timers';
