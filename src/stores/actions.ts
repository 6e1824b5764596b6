'use server';

import { revalidatePath } from 'next/cache';
import { minorUnits } from '@/core/ledger/money';
import { peroxideStrength } from '@/core/peroxide/strength';
import { addStock } from '@/data/stock';
import { getWorkshop } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { stockSchema } from './schema';

/** Puts a bottle or another consumable into the stores. */
export async function putIntoStores(given: Record<string, string>): Promise<Answer<null>> {
  const answered = await answer(stockSchema, given, async ({ price, ...item }) => {
    const { currency } = await getWorkshop();
    // A label over what can be worked with is refused here, not later at the sink.
    if (item.strengthValue !== null) peroxideStrength(item.strengthValue, item.strengthUnit);
    await addStock({ ...item, priceMinor: price === null ? null : minorUnits(price, currency) });
    return null;
  });
  if (answered.ok) revalidatePath('/stores');
  return answered;
}
