'use client';

import { Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';

/** The plan's form comes after the page: what is read first is the advice above it. */
export const LaterExposureForm = dynamic(() => import('./ExposureForm').then((part) => part.ExposureForm), {
  ssr: false,
  loading: () => <Text role="status">Laying out the plan.</Text>,
});
