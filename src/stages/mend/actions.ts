'use server';

import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { addPart } from '@/work/mend/parts';
import { partSchema } from './schema';

/** Keeps a part that is to be made, by its sizes. */
export async function keepPart(given: Given): Promise<Answer<string>> {
  return write(partSchema, given, (part, now) => addPart(part, now));
}
