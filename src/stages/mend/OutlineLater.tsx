'use client';

import dynamic from 'next/dynamic';

/** Worked on in the browser alone. */
export const OutlineLater = dynamic(() => import('./OutlineOnPhoto').then((part) => part.OutlineOnPhoto));
export const MeasureLater = dynamic(() => import('./MeasureOnPhoto').then((part) => part.MeasureOnPhoto));
