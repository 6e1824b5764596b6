'use server';

import { Refusal } from '@/core/refusal';
import { fromLocalField } from '@/core/runsheet/time';
import { keepMeasurement } from '@/work/measurements';
import { addDrop } from '@/work/drops';
import { keepSheet } from '@/work/greySheets';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { greysSchema, keepSchema, type KeepForm } from '@/edge/measureSchema';
import { write, type Given } from '@/edge/write';
import { dropSchema } from './drops/schema';

/** Keeps a measurement that the worker made. */
export async function keepReading(given: KeepForm & { once?: string }): Promise<Answer<string>> {
  return write(keepSchema, { ...given }, async ({ takenAt: local, ...measurement }, now) => {
    const takenAt = local === null ? null : fromLocalField(local, (await getWorkshop()).timeZone);
    if (local !== null && !takenAt)
      throw new Refusal('takenAt', 'Give when the picture was taken, like 2026-06-21 14:00.');
    return (await keepMeasurement({ ...measurement, takenAt }, now)).id;
  });
}

/** Keeps what the greys of a printed sheet are. */
export async function keepGreys(given: Given): Promise<Answer<void>> {
  return write(greysSchema, given, keepSheet);
}

/** Keeps a test drop of tinted resin, or a test card of paint. */
export async function keepDrop(given: Given): Promise<Answer<string>> {
  return write(dropSchema, given, (drop, now) => addDrop(drop, now));
}
