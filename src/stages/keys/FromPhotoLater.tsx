'use client';

import dynamic from 'next/dynamic';

/** Drawing from a photograph comes only where a photograph was chosen. */
export const FromPhotoLater = dynamic(() => import('./FromPhoto').then((part) => part.FromPhoto));
