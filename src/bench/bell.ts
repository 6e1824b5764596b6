import type { Timer } from '@/data/rows';

/** What a timer asks for now, and when. */
export function bellOf(timer: Timer): { at: number; kind: 'turn' | 'due' } {
  return timer.nextReminderAt ? { at: Date.parse(timer.nextReminderAt), kind: 'turn' } : { at: Date.parse(timer.dueAt), kind: 'due' };
}
