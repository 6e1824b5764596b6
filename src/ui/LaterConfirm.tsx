'use client';

import { cloneElement, lazy, Suspense, useEffect, useState } from 'react';
import type { ConfirmProps } from './Confirm';

const fetched = () => import('./Confirm');
const Confirm = lazy(() => fetched().then((part) => ({ default: part.Confirm })));

/** A question whose script comes after the page; what opens it stands there from the first moment. */
export function LaterConfirm(props: Omit<ConfirmProps, 'openAtFirst'>) {
  const { trigger } = props;
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    // Here before it is asked: Kvell may be away by then. What fails here is tried again at the tap.
    fetched().catch(() => undefined);
  }, []);
  if (!asked) return cloneElement(trigger, { 'aria-haspopup': 'dialog', onClick: () => setAsked(true) });
  return (
    <Suspense fallback={trigger}>
      <Confirm {...props} openAtFirst />
    </Suspense>
  );
}
