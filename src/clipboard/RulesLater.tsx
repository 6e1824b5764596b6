'use client';

import dynamic from 'next/dynamic';

/** Rules of one’s own, which most stages have none of: they come when there are some. */
export const RulesLater = dynamic(() => import('./RulesHere').then((part) => part.RulesHere));
