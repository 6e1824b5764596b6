'use client';

import dynamic from 'next/dynamic';
import { Late } from '@/ui/Late';

/** Only what runs asks for it; made on the server, so that a phone shows the clock at once. */
export const LaterRunningExposure = dynamic(() => import('./now/RunningExposure').then((part) => part.RunningExposure));

export const LaterTurnPart = dynamic(() => import('./sky/TurnPart').then((part) => part.TurnPart), {
  ssr: false,
  loading: () => <Late words="Laying out the turns." height={{ base: 540, md: 260 }} />,
});

export const LaterSkyPart = dynamic(() => import('./sky/SkyPart').then((part) => part.SkyPart), {
  ssr: false,
  loading: () => <Late words="Looking up." height={{ base: 730, md: 530 }} />,
});

export const LaterFadePart = dynamic(() => import('./past/FadePart').then((part) => part.FadePart), {
  ssr: false,
  loading: () => <Late height={{ base: 365, md: 365 }} />,
});

export const LaterChangePart = dynamic(() => import('./past/ChangePart').then((part) => part.ChangePart), {
  ssr: false,
  loading: () => <Late height={{ base: 200, md: 200 }} />,
});

export const LaterPredictPart = dynamic(() => import('./ahead/PredictPart').then((part) => part.PredictPart), {
  ssr: false,
  loading: () => <Late height={{ base: 50, md: 50 }} />,
});

export const LaterRehearsePart = dynamic(() => import('./ahead/RehearsePart').then((part) => part.RehearsePart), {
  ssr: false,
  loading: () => <Late words="Setting the scene." height={{ base: 880, md: 420 }} />,
});

export const LaterBeforeAfter = dynamic(() => import('@/ui/BeforeAfter').then((part) => part.BeforeAfter), {
  ssr: false,
  loading: () => <Late words="Laying one over the other." height={{ base: 220, md: 340 }} />,
});
