import type { LadderEnd } from './ladder';

/** What is said where a ladder ends. */
export const END_WORDS: Record<LadderEnd, string> = {
  'worth no more': 'After the last rung leave it: going on would cost more surface and minutes than it is worth.',
  'not worth it': 'Leave it: nothing that may touch it is worth its minutes and wear.',
  'nothing may': 'Leave it: nothing here may safely touch it. A specialist may know a way.',
  specialist: 'Nothing here may safely touch it, and it goes on doing harm: show it to a specialist.',
};

/** The reason to leave it, as it begins in the form. */
export const LEAVE_WORDS: Record<LadderEnd, string> = {
  'worth no more': 'going on would cost more surface than the stain does',
  'not worth it': 'nothing that may touch it is worth its minutes and wear',
  'nothing may': 'nothing here may safely touch it',
  specialist: 'nothing here may safely touch it; it needs a specialist',
};
