import type { Timer } from '@/data/rows';

/** What stands before what to do: when it is due, and until then. */
export const BELL_WORDS = {
  turn: { due: 'Turn now: ', until: 'Next turn: ' },
  tend: { due: 'Now: ', until: 'Next: ' },
  due: { due: 'Time is up. ', until: 'Then: ' },
} as const;

/** What a timer asks for now, and when. */
export function bellOf(timer: Timer): { at: number; kind: 'turn' | 'tend' | 'due' } {
  return timer.nextReminderAt
    ? { at: Date.parse(timer.nextReminderAt), kind: timer.kind === 'exposure' ? 'turn' : 'tend' }
    : { at: Date.parse(timer.dueAt), kind: timer.plannedTo ? 'tend' : 'due' };
}
