import type { Lab } from '@/core/colour/types';

export interface ScaleMark {
  lab: Lab;
  label: string;
  /** The hidden patch is the target; `now` is filled, `earlier` hollow. */
  kind: 'hidden' | 'now' | 'earlier';
}

/** Marks of a piece on the plastic scale: its hidden patch, its first measurement and its newest. */
export function scaleMarks({
  hidden,
  first,
  now,
}: {
  hidden: Lab | null;
  first: Lab | null;
  now: Lab | null;
}): ScaleMark[] {
  return [
    ...(hidden ? [{ lab: hidden, label: 'hidden patch', kind: 'hidden' as const }] : []),
    ...(first ? [{ lab: first, label: 'at first', kind: 'earlier' as const }] : []),
    ...(now ? [{ lab: now, label: 'now', kind: 'now' as const }] : []),
  ];
}
