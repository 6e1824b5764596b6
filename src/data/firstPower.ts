import type { LogEntry } from './rows';
import { select } from './table';
import { type PowerDecision, type PowerFacts, firstPower } from '@/core/intake/firstPower';

export const KIND = 'first power';

/** What was known and decided last. */
export interface PowerDecided {
  facts: PowerFacts;
  decision: PowerDecision;
  reasons: string[];
}

/** Facts that were written down before the last run and several voltages were asked for. */
type OlderFacts = Omit<PowerFacts, 'lastRun' | 'labelVolts' | 'atHandVolts'> & {
  ranAtSeller: boolean;
  labelVolts: number | null;
  atHandVolts: number | null;
};

function broughtForward(facts: PowerFacts | OlderFacts): PowerFacts {
  if ('lastRun' in facts) return facts;
  const { ranAtSeller, labelVolts, atHandVolts, ...rest } = facts;
  const rails = (volts: number | null) => (volts === null ? [] : [{ pin: '', volts }]);
  return {
    ...rest,
    lastRun: ranAtSeller ? 'seen working' : 'not known',
    labelVolts: rails(labelVolts),
    atHandVolts: rails(atHandVolts),
  };
}

/** What was decided last on the first power of each of these restorations, where anything was. */
export async function powerDecided(restorationIds: readonly string[]): Promise<Map<string, PowerDecided>> {
  if (restorationIds.length === 0) return new Map();
  const entries = await select<{ restorationId: string; data: string | LogEntry['data'] }>(
    `SELECT restorationId, data FROM log WHERE id IN (SELECT MAX(id) FROM log WHERE kind = :kind AND restorationId IN (:restorationIds) GROUP BY restorationId)`,
    { kind: KIND, restorationIds: [...restorationIds] },
  );
  return new Map(
    entries.map(({ restorationId, data }) => {
      const kept = (typeof data === 'string' ? JSON.parse(data) : data) as {
        facts: PowerFacts | OlderFacts;
        decision: PowerDecision;
        reasons?: string[];
      };
      const facts = broughtForward(kept.facts);
      // The decision stands as it was written down; what is asked anew is decided anew.
      return [restorationId, { facts, decision: kept.decision, reasons: kept.reasons ?? firstPower(facts).reasons }];
    }),
  );
}
