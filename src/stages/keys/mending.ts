import type { Fault } from '@/core/keyboard/diagnosis';
import type { Board } from '@/core/keyboard/layout';
import {
  costOf,
  ORDERS,
  planOf,
  waysFor,
  type InStores,
  type Order,
  type Plan,
  type RepairWay,
  type RuledOut,
  type Tried,
  type WayCost,
} from '@/core/keyboard/repairs';
import { faultWords } from '@/core/keyboard/words';

/** A fault with the ways to mend it. */
export interface ToMend {
  words: string;
  /** Keys that show whether it is mended. */
  keys: string[];
  plans: Record<Order, Plan>;
  /** By the stores. */
  costs: Partial<Record<RepairWay, WayCost>>;
  out: RuledOut[];
}

/** Keys that a fault takes with it. */
function keysOf(fault: Fault, { keys, lines }: Pick<Board, 'keys' | 'lines'>): string[] {
  const along = (id: string) => lines.find((line) => line.id === id)?.route ?? [];
  switch (fault.kind) {
    case 'open': {
      const route = along(fault.line);
      return route.slice(Math.max(0, route.indexOf(fault.between[1])));
    }
    case 'contact':
    case 'stuck':
      return [fault.key];
    case 'bridge':
      return [...new Set(fault.lines.flatMap(along))];
    case 'plug':
      return fault.lines.length === 0 ? keys.map(({ id }) => id) : [...new Set(fault.lines.flatMap(along))];
  }
}

/** What can be done about faults on a keyboard, by what this workshop saw. */
export const toMend = (
  faults: readonly Fault[],
  board: Pick<Board, 'kind' | 'keys' | 'lines'>,
  tried: readonly Tried[],
  rateMinor: number,
  stores: readonly InStores[],
): ToMend[] =>
  faults.map((fault) => {
    const { ways, out } = waysFor(fault, board.kind, board.lines);
    return {
      words: faultWords(fault),
      keys: keysOf(fault, board),
      plans: Object.fromEntries(ORDERS.map((by) => [by, planOf(ways, tried, by, rateMinor, stores)])) as Record<
        Order,
        Plan
      >,
      costs: Object.fromEntries(ways.map((way) => [way, costOf(way, stores)])),
      out,
    };
  });
