'use server';

import { revalidatePath } from 'next/cache';
import { keepMeasurement } from '@/data/measurements';
import { answer, type Answer } from '@/edge/answer';
import { keepSchema, type KeepForm } from './schema';

/** Keeps a measurement that the worker made. */
export async function keep(given: KeepForm): Promise<Answer<string>> {
  const answered = await answer(keepSchema, given, async (measurement, now) => (await keepMeasurement(measurement, now)).id);
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}
