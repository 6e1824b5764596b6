import { roughMoney } from './money';
import type { Worth } from './worth';

/** The verdict in a line, as the log and the run sheet have it. */
export function verdictLine({ verdict, chanceWorth, gain }: Worth, currency: string): string {
  const head = { 'worth it': 'Worth it', open: 'Open', 'not for the money': 'Not for the money' }[verdict];
  const left = `${roughMoney(gain.low, currency)} to ${roughMoney(gain.high, currency)}`;
  return `${head}: ${Math.round(100 * chanceWorth)} % that it costs less than a good one; ${left} left over with own hours counted`;
}
