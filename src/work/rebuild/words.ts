import type { Hold } from '@/core/teardown/closing';

/** What is said of each thing that keeps the case open. */
export function holdWords(hold: Hold): string {
  switch (hold.kind) {
    case 'step':
      return `${hold.name} is not on yet.`;
    case 'lot':
      return `${hold.left} of ${hold.count} still out: ${hold.name}. Put them back or say what became of them.`;
    case 'connection':
      return `${hold.name} is not ticked with its way round.`;
    case 'curing':
      return `${hold.name} is not through: ${hold.minutes} min to go.`;
    case 'finding':
      return `Still open: ${hold.name}. Close it, or leave it on purpose and say why.`;
    case 'test':
      return testHoldWords(hold.verdict);
  }
}

/** Why a test does not let the case be closed. */
export function testHoldWords(verdict: Extract<Hold, { kind: 'test' }>['verdict']): string {
  if (verdict === 'not made')
    return 'The function test before closing is not made. Make it, or waive it with a reason.';
  if (verdict === 'nothing tried')
    return 'The function test before closing tried nothing. Try what can be tried, or waive it with a reason.';
  return `The function test before closing found faulty: ${verdict.faulty.join(', ')}. Mend it, or waive the test with a reason.`;
}
