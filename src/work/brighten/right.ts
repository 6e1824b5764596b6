import { takeBack } from '../takenBack';
import { doseOf, sessionsWith } from './end';
import { named, together } from '../names';
import { CLOCKS_APART_MS, MINUTE_MS, endOf, needsNoOther } from './times';
import { doseUnit } from '@/core/fade/dose';
import { Refusal } from '@/core/refusal';
import { SCHOOL } from '@/core/session/schools';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Session } from '@/data/rows';
import { changeRow, findRows, needRow } from '@/data/table';

/** What can be put right of a session afterwards. */
export type Correction = Pick<Session, 'startedAt' | 'cloudFraction' | 'lampMwPerCm2' | 'temperatureC'> & {
  endedAt: string | null;
  turns: number;
  words: string;
};

/**
 * Puts a session right that was written down wrong. What it was before stays in the log; the dose is worked out anew.
 *
 * @throws Refusal for times that cannot be, or that meet another session of the piece
 */
export async function correctSession(sessionId: string, right: Correction, now: Date): Promise<void> {
  await inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    const piece = await needRow('pieces', session.pieceId);
    if ((session.endedAt === null) !== (right.endedAt === null))
      throw new Refusal(
        'endedAt',
        session.endedAt === null ? 'It still runs. End it where it is shown as running.' : 'Give when it really ended.',
      );
    if (Date.parse(right.startedAt) > now.getTime() + CLOCKS_APART_MS)
      throw new Refusal('startedAt', 'It has begun already: this time has not come yet.');
    await needsNoOther(piece, right.startedAt, right.endedAt, session.id).catch((refusal: unknown) => {
      throw refusal instanceof Refusal ? new Refusal('startedAt', refusal.message) : refusal;
    });
    const { school: id } = await needRow('treatments', session.treatmentId);
    const { turns, ...rest } = right;
    const noted = turnsAsCounted(session.turns, turns, right.startedAt, right.endedAt ?? now.toISOString());
    const changes: Partial<Session> = { ...rest, turns: noted };
    if (right.endedAt !== null) {
      const endedAt = endOf(right.startedAt, right.endedAt, now);
      const { minutes, dose } = await doseOf(SCHOOL[id], { ...right, endedAt });
      Object.assign(changes, { endedAt, actualMin: minutes, dose });
    } else await moveTimers(session, right.startedAt);
    await changeRow('sessions', { id: sessionId }, changes);
    const before = Object.fromEntries(Object.keys(changes).map((key) => [key, session[key as keyof Session]]));
    const { restorationId } = session;
    const [wrong] = await findRows('log', { restorationId, kind: 'exposure', 'data.sessionId': sessionId }, [
      ['id', 'DESC'],
    ]);
    const words = `Corrected: ${named(piece)}, ${SCHOOL[id].title.toLowerCase()}${changes.dose === undefined ? '' : `, ${changes.actualMin ?? 0} min, dose ${changes.dose!.toFixed(1)} ${doseUnit(SCHOOL[id])}, ${noted.length} turns`}. ${right.words}`;
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'exposure',
        words: words.trim(),
        data: { sessionId, before, after: changes },
        corrects: wrong?.id ?? null,
      },
      now,
    );
  });
}

/** A running session began at another time: its bells move along. */
async function moveTimers({ id, leadId, startedAt, plannedMin }: Session, to: string): Promise<void> {
  if (leadId !== null) return;
  const by = Date.parse(to) - Date.parse(startedAt);
  const moved = (time: string | null) => time && new Date(Date.parse(time) + by).toISOString();
  const dueAt = new Date(Date.parse(to) + plannedMin * MINUTE_MS).toISOString();
  for (const timer of await findRows('timers', { sessionId: id, endedAt: null }))
    await changeRow('timers', { id: timer.id }, { startedAt: to, dueAt, nextReminderAt: moved(timer.nextReminderAt) });
}

/**
 * Takes a session back that never was: it goes with all that lay in it, its bells, and what it took of the bottle.
 *
 * @returns id by which it is brought back
 */
export async function takeSessionBack(sessionId: string, now: Date): Promise<string> {
  return inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    const pieces = await Promise.all(all.map(({ pieceId }) => needRow('pieces', pieceId)));
    const ids = all.map(({ id }) => id);
    const empty: string[] = [];
    for (const { treatmentId } of all)
      if ((await findRows('sessions', { treatmentId })).every(({ id }) => ids.includes(id))) empty.push(treatmentId);
    const looked = await findRows('looks_again', { treatmentId: empty });
    const booked = [...(lead.takes ? [lead.takes] : []), ...lead.coats];
    return takeBack(
      {
        restorationId: lead.restorationId,
        stage: 'brighten',
        what: `the exposure of ${together(pieces)} that began ${lead.startedAt.slice(0, 16).replace('T', ' ')} UTC`,
        remove: [
          { table: 'timers', where: { sessionId: ids } },
          { table: 'movements', where: { id: booked.flatMap(({ movementIds }) => movementIds) } },
          { table: 'ledger', where: { id: booked.flatMap(({ ledgerIds }) => ledgerIds) } },
          { table: 'sessions', where: { leadId: lead.id } },
          { table: 'sessions', where: { id: lead.id } },
          { table: 'treatments', where: { id: looked.length > 0 ? [] : empty } },
        ],
      },
      now,
    );
  });
}

/** So many turns, as they were noted as far as there are; those that nobody noted lie evenly over the session. */
function turnsAsCounted(noted: readonly string[], count: number, from: string, to: string): string[] {
  if (count <= noted.length) return noted.slice(0, count);
  const [begin, span] = [Date.parse(from), Date.parse(to) - Date.parse(from)];
  return Array.from({ length: count }, (_, i) => new Date(begin + ((i + 1) * span) / (count + 1)).toISOString());
}
