'use client';

import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';

/** Rules of one’s own, which most stages have none of: their script comes after the page. */
export const RulesLater = dynamic(() => import('./RulesHere').then((part) => part.RulesHere), {
  ssr: false,
  // As high as the first of them, so that nothing moves under a thumb.
  loading: () => <Box minHeight="76px" mb="4" />,
});
