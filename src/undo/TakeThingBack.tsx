'use client';

import type { Taken } from '@/work/takingBack';
import { takeItBack } from './actions';
import { TakeBack } from './TakeBack';

/** Takes back one thing that was written by mistake. */
export function TakeThingBack({
  what,
  id,
  name,
  children = 'Take it back',
}: {
  what: Taken;
  id: string;
  name: string;
  children?: string;
}) {
  return (
    <TakeBack quiet label={`${children}: ${name}`} act={() => takeItBack(what, id)} done={`Taken back: ${name}.`}>
      {children}
    </TakeBack>
  );
}
