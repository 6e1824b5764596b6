'use server';

import Joi from 'joi';
import { bringBack } from '@/work/takenBack';
import { TAKEN, takeThingBack, type Taken } from '@/work/takingBack';
import type { Answer } from '@/edge/answer';
import { write } from '@/edge/write';

const id = Joi.string().max(60).required();
const schema = Joi.object<{ id: string }>({ id });
const takenSchema = Joi.object<{ what: Taken; id: string }>({
  what: Joi.string()
    .valid(...TAKEN)
    .required(),
  id,
});

/** Takes back what was written by mistake. @returns by what it is brought back */
export async function takeItBack(what: Taken, thing: string): Promise<Answer<string>> {
  return write(takenSchema, { what, id: thing }, (given, now) => takeThingBack(given.what, given.id, now));
}

/** Brings back what was taken back. */
export async function bringItBack(taken: string): Promise<Answer<void>> {
  return write(schema, { id: taken }, (given, now) => bringBack(given.id, now));
}
