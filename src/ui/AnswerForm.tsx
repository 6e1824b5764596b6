'use client';

import dynamic from 'next/dynamic';
import type { FormProps } from './FormOf';

export type { FieldDef } from './FormField';
export type { Values } from './FormOf';

// A page whose forms are all folded away does without them until one is unfolded.
const FormOf = dynamic(() => import('./FormOf').then((part) => part.FormOf)) as unknown as <T>(
  props: FormProps<T>,
) => React.ReactNode;

/** The one form; another thing's form is another form, so that what was typed for one never shows up in the next. */
export function AnswerForm<T>(props: FormProps<T>) {
  return <FormOf key={props.draftKey} {...props} />;
}

/** Options from plain words. */
export const options = (words: readonly string[]) => words.map((word) => ({ value: word, label: word }));
