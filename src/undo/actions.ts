'use server';

import Joi from 'joi';
import { bringBack } from '@/data/takenBack';
import type { Answer } from '@/edge/answer';
import { write } from '@/edge/write';

const schema = Joi.object<{ id: string }>({ id: Joi.string().max(60).required() });

/** Brings back what was taken back. */
export async function bringItBack(id: string): Promise<Answer<void>> {
  return write(schema, { id }, (given, now) => bringBack(given.id, now));
}
