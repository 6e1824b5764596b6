import { wholeUnits } from '@/core/ledger/money';
import { soFar } from '@/core/ledger/soFar';
import { verdictLine } from '@/core/ledger/verdict';
import { worth, type Range, type WorthEstimate, type WorthInput } from '@/core/ledger/worth';
import { ledgerOf } from '@/data/ledger';
import { getWorkshop } from '@/data/workshop';

/** What is known for sure: price, money and hours so far, and the own rate, in whole units. */
export type Known = Omit<WorthInput, keyof WorthEstimate>;

/** What a restoration has taken so far, for the sum. */
export async function knownOf(restorationId: string): Promise<Known> {
  const [ledger, { currency, hourlyRateMinor }] = await Promise.all([ledgerOf(restorationId), getWorkshop()]);
  const { pricePaidMinor, spentMinor, minutes } = soFar(ledger);
  const whole = (minor: number) => wholeUnits(minor, currency);
  return {
    pricePaid: whole(pricePaidMinor),
    spent: whole(spentMinor),
    hoursWorked: minutes / 60,
    hourlyRate: whole(hourlyRateMinor),
  };
}

/** The three guesses from the nine fields of the form. */
export function estimateTyped(figures: Record<string, number>): WorthEstimate {
  const range = (name: string): Range => ({
    low: figures[`${name}Low`]!,
    likely: figures[`${name}Likely`]!,
    high: figures[`${name}High`]!,
  });
  return { parts: range('parts'), hours: range('hours'), goodOne: range('goodOne') };
}

/** The verdict as it stands with an estimate. */
export async function worthWords(restorationId: string, estimate: WorthEstimate): Promise<string> {
  const [known, { currency }] = await Promise.all([knownOf(restorationId), getWorkshop()]);
  return `${verdictLine(worth({ ...known, ...estimate }), currency)}.`;
}
