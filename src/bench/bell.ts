import type { Timer } from '@/data/rows';

/** What a timer asks for now, and when. */
export function bellOf(timer: Timer): { at: number; kind: 'turn' | 'tend' | 'due' } {
  return timer.nextReminderAt
    ? { at: Date.parse(timer.nextReminderAt), kind: timer.kind === 'exposure' ? 'turn' : 'tend' }
    : { at: Date.parse(timer.dueAt), kind: 'due' };
}
