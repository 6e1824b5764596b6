'use server';

import { revalidatePath } from 'next/cache';
import { minorUnits } from '@/core/ledger/money';
import { peroxideStrength } from '@/core/peroxide/strength';
import { addOwnAgent, addOwnSurface, addOwnVerdict, switchAgent } from '@/data/cleaning';
import { addStock, countStock } from '@/data/stock';
import { getWorkshop } from '@/data/workshop';
import { answer, type Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { countSchema, haveAgentSchema, ownAgentSchema, ownSurfaceSchema, ownVerdictSchema, stockSchema } from './schema';
import { TAKES } from './takes';

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

/** What is left in a bottle, as somebody found it. */
export async function countLeft(given: Given): Promise<Answer<void>> {
  return write(countSchema, given, ({ stockId, found }) => countStock(stockId, found));
}

/** Whether an agent is in this workshop. */
export async function haveAgent(agent: string, owned: boolean): Promise<Answer<void>> {
  return write(haveAgentSchema, { agent, owned }, (given) => switchAgent(given.agent, given.owned));
}

/** A stricter verdict of this workshop's own. */
export async function forbid(given: Given): Promise<Answer<void>> {
  return write(ownVerdictSchema, given, (verdict) => addOwnVerdict(verdict));
}

/** An agent of the workshop's own. */
export async function ownAgent(given: Given): Promise<Answer<void>> {
  return write(ownAgentSchema, given, async ({ soils, often, litre, ...agent }) => {
    const takes = Object.fromEntries(soils.map((soil) => [soil, TAKES[often]]));
    await addOwnAgent({ ...agent, takes, perLitre: litre === null ? null : { amount: litre, unit: 'mL' } });
  });
}

/** A surface of the workshop's own. */
export async function ownSurface(given: Given): Promise<Answer<void>> {
  return write(ownSurfaceSchema, given, async (surface) => {
    await addOwnSurface(surface);
  });
}
