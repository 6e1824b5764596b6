'use client';

import { lazy, Suspense } from 'react';
import type { Lesson } from '@/work/lessons';
import { useAwake } from '@/ui/awake';

const RulesHere = lazy(() => import('./RulesHere').then((part) => ({ default: part.RulesHere })));

interface Props {
  restorationId: string;
  rules: readonly Lesson[];
  /** The rules as they are read until their script is there. */
  children: React.ReactNode;
}

/** Rules of one’s own, which most stages have none of: their script comes after the page. */
export function RulesLater({ children, ...props }: Props) {
  if (!useAwake()) return children;
  return (
    <Suspense fallback={children}>
      <RulesHere {...props} />
    </Suspense>
  );
}
