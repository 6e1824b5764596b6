'use client';

import dynamic from 'next/dynamic';

/** Worked on in the browser alone. */
export const DropsLater = dynamic(() => import('./DropsOnPhoto').then((part) => part.DropsOnPhoto));
