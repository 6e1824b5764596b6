'use server';

import Joi from 'joi';
import { endTimer, startTimer } from '@/work/timers';
import type { Answer } from '@/edge/answer';
import { standing } from '@/edge/entered';
import { write, type Given } from '@/edge/write';
import { findAnything, type Found } from './find';

const timerSchema = Joi.object<{ label: string; minutes: number; atTheBell: string; of: string }>({
  label: Joi.string()
    .trim()
    .max(120)
    .required()
    .label('What runs')
    .messages({ 'string.empty': 'Say what runs, like “caps soaking”.' }),
  minutes: Joi.number().integer().min(1).max(20_160).required().label('Minutes'),
  atTheBell: Joi.string().trim().max(300).allow('').default('').label('At the bell'),
  of: Joi.string().allow('').max(80).default('').label('Of'),
});

/** Starts a soak, a cure or drying. */
export async function startOwnTimer(given: Given): Promise<Answer<null>> {
  return write(timerSchema, given, async ({ of, ...timer }, now) => {
    const [restorationId = null, pieceId = null] = of === '' ? [] : of.split('/');
    await startTimer({ ...timer, restorationId, pieceId }, now);
    return null;
  });
}

/** Ends a soak, a cure or drying. */
export async function endOwnTimer(timerId: string): Promise<Answer<null>> {
  return write(Joi.object({ timerId: Joi.string().required() }), { timerId }, async (_, now) => {
    await endTimer(timerId, now);
    return null;
  });
}

/** Everything whose name holds the words. */
export async function search(words: string): Promise<Found[]> {
  if ((await standing()) !== 'inside') return [];
  return typeof words === 'string' ? findAnything(words.slice(0, 100).replaceAll('\0', ' ')) : [];
}
