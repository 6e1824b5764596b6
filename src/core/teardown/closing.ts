import type { TestVerdict } from '../runsheet/functionTest';
import type { Joint } from './joints';
import { outstanding, type LotState } from './lots';

const MINUTE_MS = 60_000;

/** What has to be settled before the case is closed. */
export interface ClosingState {
  lots: readonly (LotState & { name: string })[];
  connections: readonly { name: string; ticked: boolean }[];
  /** Treatments that still dry or cure, with when they are through. */
  curing: readonly { name: string; readyAt: Date }[];
  /** The function test before closing: passed, or waived with a reason. */
  functionTest: TestVerdict;
  /** What was found and is neither done nor left on purpose. */
  findings: readonly string[];
  /** Steps inside that are not on yet. */
  stepsOff: readonly string[];
}

export interface Hold {
  kind: 'lot' | 'connection' | 'curing' | 'finding' | 'test' | 'step';
  words: string;
}

/** A step with what decides whether it closes the case. */
interface Closing {
  id: string;
  position: number;
  joint: Joint;
  laidAside: boolean;
}

/**
 * Screws that close the case: those that came off first, before the first cover. They go on after the function test, not
 * before it.
 *
 * @param steps in the order taken off
 */
export function closingScrews(steps: readonly Closing[]): string[] {
  const taken = steps.filter(({ laidAside }) => !laidAside);
  const cover = taken.findIndex(({ joint }) => joint !== 'screws');
  return taken.slice(0, Math.max(0, cover)).map(({ id }) => id);
}

/** Why the case may not be closed yet; empty when it may. */
export function closingHolds(
  { lots, connections, curing, findings, functionTest, stepsOff }: ClosingState,
  now: Date,
): Hold[] {
  const holds: Hold[] = [];
  for (const name of stepsOff) holds.push({ kind: 'step', words: `${name} is not on yet.` });
  for (const state of lots) {
    const left = outstanding(state);
    if (left > 0)
      holds.push({
        kind: 'lot',
        words: `${left} of ${state.lot.count} still out: ${state.name}. Put them back or say what became of them.`,
      });
  }
  for (const { name, ticked } of connections)
    if (!ticked) holds.push({ kind: 'connection', words: `${name} is not ticked with its way round.` });
  for (const { name, readyAt } of curing)
    if (readyAt > now)
      holds.push({
        kind: 'curing',
        words: `${name} is not through: ${Math.ceil((readyAt.getTime() - now.getTime()) / MINUTE_MS)} min to go.`,
      });
  for (const words of findings)
    holds.push({ kind: 'finding', words: `Still open: ${words}. Close it, or leave it on purpose with your reason.` });
  const test = testWords(functionTest);
  if (test) holds.push({ kind: 'test', words: test });
  return holds;
}

/** Why a test does not let the case be closed; `null` where it does. */
export function testWords(verdict: TestVerdict): string | null {
  if (verdict === 'passed' || verdict === 'waived') return null;
  if (verdict === 'not made')
    return 'The function test before closing is not made. Make it, or waive it with a reason.';
  if (verdict === 'nothing tried')
    return 'The function test before closing tried nothing. Try what can be tried, or waive it with a reason.';
  return `The function test before closing found faulty: ${verdict.faulty.join(', ')}. Mend it, or waive the test with a reason.`;
}
