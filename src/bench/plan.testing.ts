import type { ShownTask } from './plan';

/** A task of hands on a machine, for whatever is shown of tasks. */
export const planWithNames = (id: string): ShownTask => ({
  ...{ id, words: id, machine: 'm', title: 'Machine', tag: null, from: '', to: '', who: null },
  ...{ hands: true, place: null, kind: 'mend', pinned: false, href: null, begunAt: null },
});
