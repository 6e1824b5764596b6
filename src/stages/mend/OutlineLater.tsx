'use client';

import dynamic from 'next/dynamic';

/** Worked on in the browser alone. */
export const OutlineLater = dynamic(() => import('./OutlineOnPhoto').then((part) => part.OutlineOnPhoto));
