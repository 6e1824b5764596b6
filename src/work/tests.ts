import { addFinding, settleFinding } from './findings';
import { type FirstPower, type PowerFacts, firstPower } from '@/core/intake/firstPower';
import {
  type TestPhase,
  type TestResults,
  type TestWords,
  faultyIn,
  foundWords,
  kindOf,
  partOf,
} from '@/core/runsheet/functionTest';
import { inTransaction } from '@/data/connection';
import { findingsOf } from '@/data/findings';
import { KIND } from '@/data/firstPower';
import { appendLog } from '@/data/log';
import { addRow, needRow } from '@/data/table';

/** Writes down what was known before the first power and what follows from it. */
export async function keepFirstPower(restorationId: string, facts: PowerFacts, now: Date): Promise<FirstPower> {
  const found = firstPower(facts);
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    const words = `First power: ${found.decision}. ${found.reasons.join(' ')}`;
    await appendLog(
      {
        restorationId,
        stage: 'intake',
        kind: KIND,
        words,
        data: { facts, decision: found.decision, reasons: found.reasons },
      },
      now,
    );
  });
  return found;
}

/**
 * Keeps a function test, or that it is waived with a reason. What is faulty becomes a finding, once, which goes to the
 * stage that treats it; where the test is waived for it, it is left on purpose.
 */
export async function keepFunctionTest(test: NewTest, now: Date): Promise<void> {
  const { restorationId, phase, results, waivedWhy } = test;
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    await addRow('function_tests', { ...test, at: now.toISOString() });
    const stage = phase === 'before' ? 'intake' : 'rebuild';
    const words = `Function test ${phase}: ${foundWords(test)}.${waivedWhy === null ? '' : ` Waived: ${waivedWhy}.`}`;
    await appendLog({ restorationId, stage, kind: 'function test', words, data: { results, words: test.words } }, now);
    for (const item of faultyIn(test)) await foundFaulty(test, item, stage, now);
  });
}

async function foundFaulty(
  { restorationId, results, words, waivedWhy }: NewTest,
  item: string,
  stage: 'intake' | 'rebuild',
  now: Date,
): Promise<void> {
  const known = (await findingsOf(restorationId)).some(
    ({ kind, settledAs, words: said }) =>
      (kind === 'dead' || kind === 'works now and then') &&
      settledAs === null &&
      (said === item || said.startsWith(`${item}:`)),
  );
  if (known) return;
  const said = words[item] ? `${item}: ${words[item]}` : item;
  const kind = kindOf(results[item]!);
  const { id } = await addFinding(
    { restorationId, pieceId: null, stage, kind, part: partOf(item), severity: 'plain', words: said },
    now,
  );
  if (waivedWhy !== null) await settleFinding(id, 'left on purpose', waivedWhy, now);
}

interface NewTest {
  restorationId: string;
  phase: TestPhase;
  results: TestResults;
  words: TestWords;
  waivedWhy: string | null;
}
