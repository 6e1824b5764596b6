'use client';

import dynamic from 'next/dynamic';

/** Worked on in the browser alone. */
export const AreasLater = dynamic(() => import('./AreasOnPhoto').then((part) => part.AreasOnPhoto));
export const HazeLater = dynamic(() => import('./HazeOnPhoto').then((part) => part.HazeOnPhoto));
export const RustLater = dynamic(() => import('./RustOnPhoto').then((part) => part.RustOnPhoto));
