import type { Session, Treatment } from './rows';
import { findRows } from './table';
import { Op } from 'sequelize';

const IN_ORDER = [
  ['startedAt', 'ASC'],
  ['id', 'ASC'],
] satisfies [string, string][];

export const treatmentsOf = (restorationId: string | string[]): Promise<Treatment[]> =>
  findRows('treatments', { restorationId }, [['plannedAt', 'ASC']]);

export const sessionsOf = (restorationId: string | string[]): Promise<Session[]> =>
  findRows('sessions', { restorationId }, IN_ORDER);

export const sessionsOfPiece = (pieceId: string): Promise<Session[]> => findRows('sessions', { pieceId }, IN_ORDER);

/** Exposures that run, of these pieces. */
export const runningIn = (pieceIds: string[]): Promise<Session[]> =>
  findRows('sessions', { pieceId: pieceIds, endedAt: null });

/** Treatments of other machines that go on, those begun last first. */
export const treatmentsElsewhere = (restorationId: string, most: number): Promise<Treatment[]> =>
  findRows('treatments', { endedAt: null, restorationId: { [Op.ne]: restorationId } }, [['plannedAt', 'DESC']], most);
