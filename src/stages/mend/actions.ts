'use server';

import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { minorUnits } from '@/core/ledger/money';
import { getWorkshop } from '@/data/workshop';
import { addPart, addSize } from '@/work/mend/parts';
import { addPrinter } from '@/work/mend/printers';
import { orderFor } from '@/work/orders';
import { beginMend, doStep, endMend, leaveBreak, measureBreak, noteBroken, undoStep } from '@/work/mend/repairs';
import {
  beginSchema,
  breakSchema,
  leaveSchema,
  outcomeSchema,
  partSchema,
  printerSchema,
  sizeSchema,
  stepSchema,
  wantedSchema,
} from './schema';

/** Keeps a part that is to be made, by its sizes. */
export async function keepPart(given: Given): Promise<Answer<string>> {
  return write(partSchema, given, (part, now) => addPart(part, now));
}

/** Keeps a size that was measured on a photograph. */
export async function keepSize(given: Given): Promise<Answer<string>> {
  return write(sizeSchema, given, (size, now) => addSize(size, now));
}

/** Keeps a printer by what its test bar measures. */
export async function keepPrinter(given: Given): Promise<Answer<string>> {
  return write(printerSchema, given, async ({ kg, ...printer }, now) => {
    const { currency } = await getWorkshop();
    return addPrinter({ ...printer, kgMinor: kg === null ? null : minorUnits(kg, currency) }, now);
  });
}

/** What a way takes and the stores do not have, onto the list of what is to be bought. */
export async function orderWanted(given: Given): Promise<Answer<void>> {
  return write(wantedSchema, given, ({ repairId, what }, now) => orderFor(repairId, what, now));
}

/** Keeps what was measured of a break. */
export async function keepBreak(given: Given): Promise<Answer<string>> {
  return write(breakSchema, given, measureBreak);
}

export async function beginRepair(given: Given): Promise<Answer<void>> {
  return write(beginSchema, given, ({ repairId, way }, now) => beginMend(repairId, way, now));
}

/** Leaves a break as it is, with the reason. */
export async function leaveIt(given: Given): Promise<Answer<void>> {
  return write(leaveSchema, given, ({ repairId, words }, now) => leaveBreak(repairId, words, now));
}

export async function tickStep(given: Given): Promise<Answer<void>> {
  return write(stepSchema, given, ({ repairId, step, roomC, cureH }, now) =>
    doStep(repairId, step, { roomC, cureH }, now),
  );
}

export async function untickStep(given: Given): Promise<Answer<void>> {
  return write(stepSchema, given, ({ repairId, step }, now) => undoStep(repairId, step, now));
}

export async function answerRepair(given: Given): Promise<Answer<void>> {
  return write(outcomeSchema, given, ({ repairId, outcome, words }, now) => endMend(repairId, outcome, words, now));
}

/** A repair that held broke again. */
export async function sayBroken(given: Given): Promise<Answer<void>> {
  return write(leaveSchema, given, ({ repairId, words }, now) => noteBroken(repairId, words, now));
}
