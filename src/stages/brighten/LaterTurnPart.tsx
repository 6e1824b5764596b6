'use client';

import { Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';

/** The turns come after the page, when somebody opens them. */
export const LaterTurnPart = dynamic(() => import('./TurnPart').then((part) => part.TurnPart), {
  ssr: false,
  loading: () => <Text role="status">Laying out the turns.</Text>,
});
