'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/**
 * Whether the page has woken up. A page that has come but not woken up can be typed into; what would be sent from it goes
 * by the browser alone, with every field in the address.
 */
export const useAwake = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
