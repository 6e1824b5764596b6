'use client';

import dynamic from 'next/dynamic';
import { Late } from '@/ui/Late';

/** Rules of one’s own, which most stages have none of: their script comes after the page. */
export const RulesLater = dynamic(() => import('./RulesHere').then((part) => part.RulesHere), {
  ssr: false,
  // As high as the first of them, so that nothing moves under a thumb.
  loading: () => <Late height={{ base: 92, md: 92 }} />,
});
