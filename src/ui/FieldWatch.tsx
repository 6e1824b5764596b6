'use client';

import { useEffect } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Values } from './AnswerForm';

/** Tells what one field of a form comes to hold, where it decides how another is asked. */
export function FieldWatch({ form, name, onChange }: { form: UseFormReturn<Values>; name: string; onChange: (value: string) => void }) {
  const { subscribe } = form;
  useEffect(() => subscribe({ formState: { values: true }, callback: ({ values }) => onChange(values[name] ?? '') }), [subscribe, name, onChange]);
  return null;
}
