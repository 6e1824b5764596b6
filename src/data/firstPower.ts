import { firstPower, type FirstPower, type PowerFacts } from '@/core/intake/firstPower';
import { inTransaction } from './connection';
import { appendLog, logOf } from './log';
import { needRow } from './table';

const KIND = 'first power';

/** Writes down what was known before the first power and what follows from it. */
export async function keepFirstPower(restorationId: string, facts: PowerFacts, now: Date): Promise<FirstPower> {
  const found = firstPower(facts);
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    const words = `First power: ${found.decision}. ${found.reasons.join(' ')}`;
    await appendLog({ restorationId, stage: 'intake', kind: KIND, words, data: { facts, decision: found.decision } }, now);
  });
  return found;
}

/** The newest facts that were written down, or `null`. */
export async function firstPowerFacts(restorationId: string): Promise<PowerFacts | null> {
  const entries = (await logOf(restorationId)).filter(({ kind }) => kind === KIND);
  const last = entries[entries.length - 1];
  return last ? (last.data as { facts: PowerFacts }).facts : null;
}
