'use client';

import { useEffect } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { toLocalField } from '@/core/runsheet/time';
import type { Values } from './AnswerForm';
import { useNow } from './clock';

const MINUTE_MS = 60_000;

/** Keeps a time at now until somebody types another: a page that stays open does not send when it was opened. */
export function FollowClock({ form, name, timeZone }: { form: UseFormReturn<Values>; name: string; timeZone: string }) {
  const now = useNow();
  const minute = now - (now % MINUTE_MS);
  const { setValue, getFieldState, formState } = form;
  const typed = getFieldState(name, formState).isDirty;
  useEffect(() => {
    if (minute > 0 && !typed) setValue(name, toLocalField(new Date(minute).toISOString(), timeZone));
  }, [minute, typed, name, timeZone, setValue]);
  return null;
}
