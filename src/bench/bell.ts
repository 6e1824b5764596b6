import type { Timer } from '@/data/rows';
import type { NamedTimer } from '@/data/timers';

/** What stands before what to do, when it is due and until then; and, where time runs in one line, before what it is for. */
export const BELL_WORDS = {
  turn: { due: 'Turn now: ', until: 'Next turn: ', untilIts: 'to the turn of ' },
  tend: { due: 'Now: ', until: 'Next: ', untilIts: 'until ' },
  due: { due: 'Time is up: ', until: 'Then: ', untilIts: 'to the bell of ' },
} as const;

/** What runs, with its machine: two may have a K1 each. */
export const namedLabel = ({ label, machine }: Pick<NamedTimer, 'label' | 'machine'>): string =>
  machine ? `${label}, ${machine}` : label;

/** What a timer asks for now, and when. */
export function bellOf(timer: Timer): { at: number; kind: 'turn' | 'tend' | 'due' } {
  return timer.nextReminderAt
    ? { at: Date.parse(timer.nextReminderAt), kind: timer.kind === 'exposure' ? 'turn' : 'tend' }
    : { at: Date.parse(timer.dueAt), kind: timer.plannedTo ? 'tend' : 'due' };
}
