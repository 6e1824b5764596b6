import type { Timer } from '@/data/rows';

/** Where a timer is attended to. */
export const placeOf = ({ restorationId, pieceId, sessionId }: Timer) =>
  sessionId && restorationId ? `/restorations/${restorationId}/brighten?piece=${pieceId}` : '/#timers';
