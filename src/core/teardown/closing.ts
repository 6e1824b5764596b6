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

/** One thing that keeps the case open. */
export type Hold =
  | { kind: 'step' | 'connection' | 'finding'; name: string }
  | { kind: 'lot'; name: string; left: number; count: number }
  | { kind: 'curing'; name: string; minutes: number }
  | { kind: 'test'; verdict: Exclude<TestVerdict, 'passed' | 'waived'> };

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
  const holds: Hold[] = stepsOff.map((name) => ({ kind: 'step', name }));
  for (const { lot, name, ...counted } of lots) {
    const left = outstanding({ lot, ...counted });
    if (left > 0) holds.push({ kind: 'lot', name, left, count: lot.count });
  }
  for (const { name, ticked } of connections) if (!ticked) holds.push({ kind: 'connection', name });
  for (const { name, readyAt } of curing)
    if (readyAt > now)
      holds.push({ kind: 'curing', name, minutes: Math.ceil((readyAt.getTime() - now.getTime()) / MINUTE_MS) });
  for (const name of findings) holds.push({ kind: 'finding', name });
  if (functionTest !== 'passed' && functionTest !== 'waived') holds.push({ kind: 'test', verdict: functionTest });
  return holds;
}
