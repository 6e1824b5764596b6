'use server';

import { keepFunctionTest } from '@/work/tests';
import { addBlock } from '@/work/teardown';
import { explainLot, putOn, takeOffAgain, tickConnection, tickLot } from '@/work/rebuild/on';
import type { Answer } from '@/edge/answer';
import { functionTestSchema } from '@/edge/functionTestSchema';
import { blockSchema } from '@/edge/blockSchema';
import { write, type Given } from '@/edge/write';
import { explainSchema, idSchema, stepWordsSchema, tickSchema } from './schema';

/** Fasteners go back into their holes. */
export async function tickFasteners(given: Given): Promise<Answer<void>> {
  return write(tickSchema, given, ({ lotId, count, lengthMm, expected }, now) =>
    tickLot(lotId, count, lengthMm, expected, now),
  );
}

/** What became of fasteners that do not come back. */
export async function explainMissingOnes(given: Given): Promise<Answer<void>> {
  return write(explainSchema, given, ({ lotId, count, words }, now) => explainLot(lotId, count, words, now));
}

export async function tickJoined(connectionId: string): Promise<Answer<void>> {
  return write(idSchema, { id: connectionId }, ({ id }, now) => tickConnection(id, now));
}

export async function putStepOn(given: Given): Promise<Answer<void>> {
  return write(stepWordsSchema, given, putOn);
}

/** Something that would be out of reach goes on before. */
export async function addOrder(given: Given): Promise<Answer<void>> {
  return write(blockSchema, given, ({ firstId, thenId, why }, now) => addBlock(firstId, thenId, why, now));
}

export async function takeStepOffAgain(given: Given): Promise<Answer<void>> {
  return write(stepWordsSchema, given, ({ stepId, words }, now) => takeOffAgain(stepId, words, now));
}

/** A function test, or that it is waived. */
export async function addFunctionTest(given: Given): Promise<Answer<void>> {
  return write(functionTestSchema, given, ({ waivedWhy, ...given }, now) =>
    keepFunctionTest({ ...given, waivedWhy: waivedWhy || null }, now),
  );
}
