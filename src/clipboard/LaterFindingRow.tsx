'use client';

import dynamic from 'next/dynamic';

/** A finding with its forms, where a page may be made without any. */
export const LaterFindingRow = dynamic(() => import('./FindingRow').then((part) => part.FindingRow));
