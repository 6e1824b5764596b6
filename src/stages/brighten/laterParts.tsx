'use client';

import { Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';

/** Only what runs asks for it; made on the server, so that a phone shows the clock at once. */
export const LaterRunningExposure = dynamic(() => import('./now/RunningExposure').then((part) => part.RunningExposure));

export const LaterTurnPart = dynamic(() => import('./sky/TurnPart').then((part) => part.TurnPart), {
  ssr: false,
  loading: () => <Text role="status">Laying out the turns.</Text>,
});

export const LaterSkyPart = dynamic(() => import('./sky/SkyPart').then((part) => part.SkyPart), {
  ssr: false,
  loading: () => <Text role="status">Looking up.</Text>,
});

export const LaterFadePart = dynamic(() => import('./past/FadePart').then((part) => part.FadePart), { ssr: false });

export const LaterChangePart = dynamic(() => import('./past/ChangePart').then((part) => part.ChangePart), {
  ssr: false,
});

export const LaterPredictPart = dynamic(() => import('./ahead/PredictPart').then((part) => part.PredictPart), {
  ssr: false,
});

export const LaterRehearsePart = dynamic(() => import('./ahead/RehearsePart').then((part) => part.RehearsePart), {
  ssr: false,
  loading: () => <Text role="status">Setting the scene.</Text>,
});

export const LaterBeforeAfter = dynamic(() => import('@/ui/BeforeAfter').then((part) => part.BeforeAfter), {
  ssr: false,
  loading: () => <Text role="status">Laying one over the other.</Text>,
});
