'use server';

import { revalidatePath } from 'next/cache';
import { minorUnits } from '@/core/ledger/money';
import { saveWorkshop } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { workshopSchema } from './schema';

/** Saves the workshop's settings. */
export async function saveSettings(given: Record<string, string>): Promise<Answer<null>> {
  const answered = await answer(workshopSchema, given, async ({ hourlyRate, ...settings }) => {
    await saveWorkshop({ ...settings, hourlyRateMinor: minorUnits(hourlyRate, settings.currency) });
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}
