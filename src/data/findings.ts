import type { Finding } from './rows';
import { findRows, needRow } from './table';
import type { Aim } from '@/core/intake/aim';
import { askedOf } from '@/core/intake/proposals';
import type { Stage } from '@/core/runsheet/stages';

export const findingsOf = (restorationId: string | string[]): Promise<Finding[]> =>
  findRows('findings', { restorationId }, [['foundAt', 'ASC']]);

/** The aim that holds for each finding: its piece's where that has one of its own, else the machine's. */
export async function aimsOf(restorationId: string): Promise<(finding: { pieceId: string | null }) => Aim> {
  const restoration = await needRow('restorations', restorationId);
  const pieces = await findRows('pieces', { restorationId });
  return ({ pieceId }) => pieces.find(({ id }) => id === pieceId)?.aim ?? restoration.aim;
}

/** What is still open, by the stage that it asks for; nothing where the restoration is not there. */
export async function askedFor(restorationId: string): Promise<Map<Stage, Finding[]>> {
  const open = (await findingsOf(restorationId)).filter(({ settledAs }) => settledAs === null);
  return open.length === 0 ? new Map() : askedOf(open, await aimsOf(restorationId));
}
