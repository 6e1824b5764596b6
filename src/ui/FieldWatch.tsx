'use client';

import { useEffect } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Values } from './AnswerForm';

interface Props {
  form: UseFormReturn<Values>;
  name: string;
  onChange: (value: string) => void;
  /** Tells only of what somebody chose in this very field, not of a draft that comes back. */
  typed?: boolean;
}

/** Tells what one field of a form comes to hold, where it decides how another is asked. */
export function FieldWatch({ form, name, onChange, typed = false }: Props) {
  const { subscribe } = form;
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values, name: changed }) => {
          if (!typed || changed === name) onChange(values[name] ?? '');
        },
      }),
    [subscribe, name, onChange, typed],
  );
  return null;
}
