'use client';

import dynamic from 'next/dynamic';
import { Late } from '@/ui/Late';

/** The plan's form comes after the page: what is read first is the advice above it. */
export const LaterExposureForm = dynamic(
  // With what its fields are made of: coming one after the other they would move what stands below.
  () => Promise.all([import('./ExposureForm'), import('@/ui/FormOf')]).then(([part]) => part.ExposureForm),
  {
    ssr: false,
    loading: () => <Late words="Laying out the plan." height={{ base: 1250, md: 860 }} />,
  },
);
