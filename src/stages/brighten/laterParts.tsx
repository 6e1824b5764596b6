'use client';

import { Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';

/** Only what runs asks for it; made on the server, so that a phone shows the clock at once. */
export const LaterRunningExposure = dynamic(() => import('./RunningExposure').then((part) => part.RunningExposure));

export const LaterTurnPart = dynamic(() => import('./TurnPart').then((part) => part.TurnPart), {
  ssr: false,
  loading: () => <Text role="status">Laying out the turns.</Text>,
});

export const LaterSkyPart = dynamic(() => import('./SkyPart').then((part) => part.SkyPart), {
  ssr: false,
  loading: () => <Text role="status">Looking up.</Text>,
});

export const LaterFadePart = dynamic(() => import('./FadePart').then((part) => part.FadePart), { ssr: false });

export const LaterChangePart = dynamic(() => import('./ChangePart').then((part) => part.ChangePart), { ssr: false });

export const LaterPredictPart = dynamic(() => import('./PredictPart').then((part) => part.PredictPart), { ssr: false });

export const LaterRehearsePart = dynamic(() => import('./RehearsePart').then((part) => part.RehearsePart), {
  ssr: false,
  loading: () => <Text role="status">Setting the scene.</Text>,
});

export const LaterBeforeAfter = dynamic(() => import('@/ui/BeforeAfter').then((part) => part.BeforeAfter), {
  ssr: false,
  loading: () => <Text role="status">Laying one over the other.</Text>,
});
