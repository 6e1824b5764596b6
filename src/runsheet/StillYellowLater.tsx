'use client';

import dynamic from 'next/dynamic';

/** Seldom there: its script comes only where it is. */
export const StillYellowLater = dynamic(() => import('./StillYellow').then((part) => part.StillYellow));
