'use server';

import { minorUnits } from '@/core/ledger/money';
import { agedStrength, strengthByGas } from '@/core/peroxide/agedBottle';
import { percentOf } from '@/core/peroxide/bottle';
import { peroxideStrength } from '@/core/peroxide/strength';
import { Refusal } from '@/core/refusal';
import { addOwnAgent, addOwnSurface, addOwnVerdict, switchAgent } from '@/work/knowledge';
import { addDonor, addDonorPart, putDonorPartBack, setDonorPartColour, takeDonorPart } from '@/work/donors';
import { addOrder, delayOrder, moveOrder, placeOrder, stepOrderBack } from '@/work/orders';
import { findStock } from '@/data/stock';
import { addStock, addStrength, countStock } from '@/work/stock';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { careFor } from '@/work/stockCare';
import {
  careSchema,
  countSchema,
  delaySchema,
  donorColourSchema,
  donorPartSchema,
  donorSchema,
  haveAgentSchema,
  moveSchema,
  orderBackSchema,
  ownAgentSchema,
  ownSurfaceSchema,
  ownVerdictSchema,
  placeSchema,
  putBackSchema,
  stockIdSchema,
  stockSchema,
  takeDonorSchema,
  testSchema,
  wantSchema,
} from './schema';
import { TAKES } from './takes';

/** Puts a bottle or another consumable into the stores. */
export async function putIntoStores(given: Given): Promise<Answer<null>> {
  return write(stockSchema, given, async ({ price, ...item }, now) => {
    const { currency } = await getWorkshop();
    // A label over what can be worked with is refused here, not later at the sink.
    if (item.strengthValue !== null) peroxideStrength(item.strengthValue, item.strengthUnit);
    await addStock({ ...item, priceMinor: price === null ? null : minorUnits(price, currency) }, now);
    return null;
  });
}

/** A machine that gives its parts comes in. */
export async function keepDonor(given: Given): Promise<Answer<string>> {
  return write(donorSchema, given, addDonor);
}

/** A part that sits on a donor. */
export async function keepDonorPart(given: Given): Promise<Answer<string>> {
  return write(donorPartSchema, given, ({ labL, labA, labB, ...part }, now) =>
    addDonorPart({ ...part, lab: labL === null ? null : [labL, labA!, labB!] }, now),
  );
}

/** The colour of a part of a donor, measured. */
export async function measureDonorPart(given: Given): Promise<Answer<void>> {
  return write(donorColourSchema, given, ({ partId, lab }, now) => setDonorPartColour(partId, lab, now));
}

export async function takeOffDonor(given: Given): Promise<Answer<void>> {
  return write(takeDonorSchema, given, ({ partId, restorationId }, now) => takeDonorPart(partId, restorationId, now));
}

export async function putOnDonor(given: Given): Promise<Answer<void>> {
  return write(putBackSchema, given, ({ partId }, now) => putDonorPartBack(partId, now));
}

/** Puts something on the list of what is to be bought. */
export async function wantIt(given: Given): Promise<Answer<string>> {
  return write(wantSchema, given, (wanted, now) => addOrder({ ...wanted, pieceId: null, repairId: null }, now));
}

export async function placeTheOrder(given: Given): Promise<Answer<null>> {
  return write(placeSchema, given, async ({ orderId, price, dueDays }, now) => {
    const { currency } = await getWorkshop();
    await placeOrder(orderId, { priceMinor: price === null ? null : minorUnits(price, currency), dueDays }, now);
    return null;
  });
}

/** It comes on another day than was said. */
export async function delayTheOrder(given: Given): Promise<Answer<void>> {
  return write(delaySchema, given, ({ orderId, dueDays }, now) => delayOrder(orderId, dueDays, now));
}

export async function moveOnOrder(given: Given): Promise<Answer<void>> {
  return write(moveSchema, given, ({ orderId, step }, now) => moveOrder(orderId, step, now));
}

export async function takeOrderStepBack(given: Given): Promise<Answer<void>> {
  return write(orderBackSchema, given, ({ orderId }, now) => stepOrderBack(orderId, now));
}

/** What is left in a bottle, as somebody found it. */
export async function countLeft(given: Given): Promise<Answer<void>> {
  return write(countSchema, given, ({ stockId, found }, now) => countStock(stockId, found, now));
}

/** Stronger than its label by more than this share is a slip of the test. */
const STRONGER = 1.1;

/** How strong a bottle still is: by the gas of a sample, by its age, or by another test. */
export async function testStrength(given: Given): Promise<Answer<void>> {
  return write(testSchema, given, async ({ stockId, how, percentWW, ...test }, now) => {
    const bottle = await findStock(stockId);
    const label = bottle && percentOf({ ...bottle, tested: null });
    if (!label) throw new Refusal('stockId', 'This bottle is gone, or has no strength on its label.');
    const found =
      how === 'gas'
        ? strengthByGas({ ...test, overWater: true }).median
        : how === 'age'
          ? agedStrength(label, test).median
          : percentWW;
    if (found > STRONGER * label)
      throw new Refusal(
        { gas: 'gasMl', age: 'months', other: 'percentWW' }[how],
        `That is ${found.toFixed(1)} %, more than the ${label.toFixed(1)} % of its label. Look at the ${how === 'gas' ? 'sample and the gas' : 'number'} again.`,
      );
    await addStrength(stockId, { percentWW: found, how }, now);
  });
}

/** Whether an agent is in this workshop. */
export async function setAgentHere(agent: string, owned: boolean): Promise<Answer<void>> {
  return write(haveAgentSchema, { agent, owned }, (given, now) => switchAgent(given.agent, given.owned, now));
}

/** A stricter verdict of this workshop's own. */
export async function addVerdict(given: Given): Promise<Answer<void>> {
  return write(ownVerdictSchema, given, (verdict, now) => addOwnVerdict(verdict, now));
}

/** An agent of the workshop's own. */
export async function addAgent(given: Given): Promise<Answer<void>> {
  return write(ownAgentSchema, given, async ({ soils, often, litre, ...agent }, now) => {
    const takes = Object.fromEntries(soils.map((soil) => [soil, TAKES[often]]));
    await addOwnAgent({ ...agent, takes, perLitre: litre === null ? null : { amount: litre, unit: 'mL' } }, now);
  });
}

/** A surface of the workshop's own. */
export async function addSurface(given: Given): Promise<Answer<void>> {
  return write(ownSurfaceSchema, given, async (surface, now) => {
    await addOwnSurface(surface, now);
  });
}

/** Where something on the shelf stands, how much of it is wanted, and how long it keeps. */
export async function keepCare(given: Given): Promise<Answer<void>> {
  return write(careSchema, given, ({ stockId, openedAt, ...care }, now) =>
    careFor(
      stockId,
      { ...care, openedAt: openedAt === null ? null : new Date(`${openedAt}T12:00:00.000Z`).toISOString() },
      'where it stands and how much is wanted.',
      now,
    ),
  );
}

/** It is on the shelf no more. */
export async function throwAway(given: Given): Promise<Answer<void>> {
  return write(stockIdSchema, given, ({ stockId }, now) =>
    careFor(stockId, { thrownAt: now.toISOString() }, 'thrown away.', now),
  );
}

/** It was thrown away by mistake. */
export async function backOnShelf(given: Given): Promise<Answer<void>> {
  return write(stockIdSchema, given, ({ stockId }, now) =>
    careFor(stockId, { thrownAt: null }, 'on the shelf again.', now),
  );
}
