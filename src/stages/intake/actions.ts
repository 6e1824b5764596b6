'use server';

import { minorUnits } from '@/core/ledger/money';
import { keepFirstPower, keepFunctionTest } from '@/work/tests';
import { changeProvenance, openRestoration } from '@/work/restorations';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { functionTestSchema } from '@/edge/functionTestSchema';
import { needRow } from '@/data/table';
import { write, writeOver, type Given } from '@/edge/write';
import { machineDrawn } from './drawn';
import { openSchema, powerSchema, provenanceSchema } from './schema';

/** Opens a restoration. */
export async function openMachine(given: Given): Promise<Answer<string>> {
  return write(openSchema, given, async ({ pricePaid, ...restoration }, now) => {
    const { currency } = await getWorkshop();
    return (await openRestoration({ ...restoration, pricePaidMinor: minorUnits(pricePaid, currency) }, now)).id;
  });
}

/** Writes down the decision on the first power. */
export async function decidePower(given: Given): Promise<Answer<void>> {
  return write(powerSchema, given, async ({ restorationId, ...facts }, now) => {
    await keepFirstPower(restorationId, facts, now);
  });
}

/** Corrects what is known of the machine. */
export async function correctMachine(given: Given): Promise<Answer<void>> {
  const stands = async ({ restorationId }: { restorationId: string }) =>
    machineDrawn(await needRow('restorations', restorationId));
  return writeOver(provenanceSchema, given, stands, ({ restorationId, ...changes }, now) =>
    changeProvenance(restorationId, changes, now),
  );
}

/** A function test before the work. */
export async function addFunctionTest(given: Given): Promise<Answer<void>> {
  return write(functionTestSchema, given, ({ waivedWhy, ...given }, now) =>
    keepFunctionTest({ ...given, waivedWhy: waivedWhy || null }, now),
  );
}
