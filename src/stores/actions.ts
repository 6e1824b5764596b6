'use server';

import { revalidatePath } from 'next/cache';
import { minorUnits } from '@/core/ledger/money';
import { peroxideStrength } from '@/core/peroxide/strength';
import { addStock } from '@/data/stock';
import { addOwnVerdict, switchAgent } from '@/data/wash';
import { getWorkshop } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { haveAgentSchema, ownVerdictSchema, stockSchema } from './schema';

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

/** Whether an agent is in this workshop. */
export async function haveAgent(agent: string, owned: boolean): Promise<Answer<void>> {
  return write(haveAgentSchema, { agent, owned }, (given) => switchAgent(given.agent, given.owned));
}

/** A stricter verdict of this workshop's own. */
export async function forbid(given: Given): Promise<Answer<void>> {
  return write(ownVerdictSchema, given, (verdict) => addOwnVerdict(verdict));
}
