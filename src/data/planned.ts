import { findRows } from './table';
import type { SchoolId } from '@/core/session/schools';
import { Op } from 'sequelize';

/** A session that is still to come: it rings when its window opens. */
export interface PlannedSession {
  timerId: string;
  pieceId: string;
  school: SchoolId;
  /** Its window, ISO 8601, UTC. */
  from: string;
  to: string;
}

/** Planned sessions of a restoration that were neither begun nor given up, the next first. */
export async function plannedIn(restorationId: string): Promise<PlannedSession[]> {
  const timers = await findRows('timers', { restorationId, endedAt: null, plannedTo: { [Op.not]: null } }, [
    ['dueAt', 'ASC'],
  ]);
  return timers.map(({ id, pieceId, plannedSchool, dueAt, plannedTo }) => ({
    timerId: id,
    pieceId: pieceId!,
    school: plannedSchool!,
    from: dueAt,
    to: plannedTo!,
  }));
}
