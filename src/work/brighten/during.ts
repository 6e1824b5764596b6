import { bookMaterial } from '../ledger';
import { sessionsWith } from './end';
import { MINUTE_MS } from './times';
import { Refusal } from '@/core/refusal';
import { SCHOOL } from '@/core/session/schools';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Session } from '@/data/rows';
import { changeRow, needRow } from '@/data/table';

/**
 * Keeps a thermometer's reading of a running exposure, for all that lie in it.
 *
 * @throws Refusal where it is over
 */
export async function readWarmth(sessionId: string, temperatureC: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const session = await needRow('sessions', sessionId);
    if (session.endedAt !== null)
      throw new Refusal(
        'temperatureC',
        'This exposure is over. Give the temperature on the whole with its end instead.',
      );
    if (now.getTime() < Date.parse(session.startedAt) - READ_WITHIN_MS)
      throw new Refusal(
        'temperatureC',
        'By this clock the exposure has not begun yet. Set the clock of this device right, then read again.',
      );
    const readings = [...session.readings, { at: now.toISOString(), temperatureC }];
    await changeRow('sessions', { id: (await sessionsWith(session)).map(({ id }) => id) }, { readings });
    const { restorationId } = session;
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'warmth',
        words: `Read ${temperatureC.toFixed(0)} °C.`,
        data: { sessionId },
      },
      now,
    );
  });
}

/**
 * Fresh cream was brushed on while an exposure runs: it comes out of the tube.
 *
 * @throws Refusal where it is over, or takes no cream
 */
export async function freshCoat(sessionId: string, amountMl: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const all = await sessionsWith(await needRow('sessions', sessionId));
    const [lead] = all as [Session];
    if (lead.endedAt !== null)
      throw new Refusal('amountMl', 'This exposure is over. What was brushed on belongs to one that runs.');
    const { school, stockId, stockPercentWW } = await needRow('treatments', lead.treatmentId);
    if (SCHOOL[school].medium !== 'cream')
      throw new Refusal('amountMl', 'This way takes no cream. Renew the solution instead.');
    const { restorationId } = lead;
    const use = {
      restorationId,
      stage: 'brighten',
      stockId,
      amount: amountMl,
      otherwise: `peroxide cream, ${stockPercentWW.toFixed(1)} %`,
      unit: 'mL',
    } as const;
    const coats = [...lead.coats, { at: now.toISOString(), amountMl, ...(await bookMaterial(use, now)) }];
    await changeRow('sessions', { id: all.map(({ id }) => id) }, { coats });
    await appendLog(
      {
        restorationId,
        stage: 'brighten',
        kind: 'coat',
        words: `Fresh cream, ${amountMl.toFixed(0)} mL.`,
        data: { sessionId: lead.id },
      },
      now,
    );
  });
}

/** A reading further from the session than this is no reading of it. */
const READ_WITHIN_MS = 5 * MINUTE_MS;
