'use server';

import Joi from 'joi';
import { revalidatePath } from 'next/cache';
import { endTimer, startTimer } from '@/data/timers';
import { answer, type Answer } from '@/edge/answer';
import { standing } from '@/edge/entered';
import { findAnything, type Found } from './find';

const timerSchema = Joi.object<{ label: string; minutes: number; atTheBell: string; of: string }>({
  label: Joi.string().trim().max(120).required().label('What runs').messages({ 'string.empty': 'Say what runs, like “caps soaking”.' }),
  minutes: Joi.number().integer().min(1).max(20_160).required().label('Minutes'),
  atTheBell: Joi.string().trim().max(300).allow('').default('').label('At the bell'),
  of: Joi.string().allow('').max(80).default('').label('Of'),
});

/** Starts a soak, a cure or drying. */
export async function startOwnTimer(given: Record<string, string>): Promise<Answer<null>> {
  const answered = await answer(timerSchema, given, async ({ of, ...timer }, now) => {
    const [restorationId = null, pieceId = null] = of === '' ? [] : of.split('/');
    await startTimer({ ...timer, restorationId, pieceId }, now);
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** Ends a soak, a cure or drying. */
export async function endOwnTimer(timerId: string): Promise<Answer<null>> {
  const answered = await answer(Joi.object({ timerId: Joi.string().required() }), { timerId }, async (_, now) => {
    await endTimer(timerId, now);
    return null;
  });
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/** Everything whose name holds the words. */
export async function search(words: string): Promise<Found[]> {
  if ((await standing()) !== 'inside') return [];
  return findAnything(String(words).slice(0, 100));
}
