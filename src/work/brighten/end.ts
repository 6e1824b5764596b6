import { NOWHERE } from '@/core/sun/day';
import { MINUTE_MS, endOf } from './times';
import { doseUnit, sessionDose } from '@/core/fade/dose';
import { Refusal } from '@/core/refusal';
import { SCHOOL, type School } from '@/core/session/schools';
import { inTransaction } from '@/data/connection';
import { endRun } from '../run';
import type { Session } from '@/data/rows';
import { changeRow, findRows, needRow } from '@/data/table';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';

/** How it really ended. */
export interface RealEnd {
  endedAt: string;
  cloudFraction: number;
  temperatureC: number;
  words: string;
}

/** Sessions of one mixture, the one that leads first. */
export async function sessionsWith({ id, leadId }: Pick<Session, 'id' | 'leadId'>): Promise<Session[]> {
  const lead = leadId ?? id;
  return [await needRow('sessions', lead), ...(await findRows('sessions', { leadId: lead }, [['id', 'ASC']]))];
}

/** Minutes and dose of a session as it really was. @throws Refusal without a place where the sun drives it */
export async function doseOf(
  school: School,
  { startedAt, endedAt, cloudFraction, temperatureC, lampMwPerCm2 }: Real,
): Promise<{ minutes: number; dose: number }> {
  const [workshop, shading] = await Promise.all([getWorkshop(), listObstacles()]);
  const place = placeOf(workshop);
  if (school.driver === 'sun' && !place)
    throw new Refusal(
      'endedAt',
      'The workshop has no place yet, so the sun’s dose cannot be worked out. Set the place under Workshop.',
    );
  const minutes = Math.max(0, Math.round((Date.parse(endedAt) - Date.parse(startedAt)) / MINUTE_MS));
  const dose = sessionDose(school, {
    place: place ?? NOWHERE,
    start: new Date(startedAt),
    durationMin: minutes,
    cloudFraction,
    shading,
    lampMwPerCm2,
    temperatureC,
  });
  return { minutes, dose };
}

/**
 * Ends an exposure, with all that lie in it, by what really happened; the doses follow from it.
 *
 * @returns the session that leads
 * @throws Refusal when it ended before it began, has no length, or somebody else ended it
 */
export async function endExposure(sessionId: string, given: RealEnd, now: Date): Promise<Session> {
  return inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    const over = () =>
      new Refusal('endedAt', 'This exposure was ended already, perhaps on another screen. Nothing was changed.');
    const running = all.filter(({ endedAt }) => endedAt === null);
    if (running.length === 0) throw over();
    const real = { ...given, endedAt: endOf(lead.startedAt, given.endedAt, now) };
    for (const session of running) {
      const { school: id } = await needRow('treatments', session.treatmentId);
      const school = SCHOOL[id];
      const { minutes, dose } = await doseOf(school, { ...session, ...real });
      if (!(await changeRow('sessions', { id: session.id, endedAt: null }, { ...real, actualMin: minutes, dose })))
        throw over();
      const words = `Exposure ended after ${minutes} min, dose ${dose.toFixed(1)} ${doseUnit(school)}, ${session.turns.length} turns. ${real.words}`;
      const { restorationId } = session;
      const data = { sessionId: session.id };
      await endRun({ restorationId, stage: 'brighten', kind: 'exposure', words, data, bells: data }, now);
    }
    return needRow('sessions', lead.id);
  });
}

type Real = Pick<Session, 'startedAt' | 'cloudFraction' | 'temperatureC' | 'lampMwPerCm2'> & { endedAt: string };
