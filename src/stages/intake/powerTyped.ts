import type { PowerFacts } from '@/core/intake/firstPower';
import { withPoint } from '@/core/units';

type Typed = Record<string, string>;

/** Facts as the form shows them. */
export const typedFacts = (facts: PowerFacts): Typed =>
  Object.fromEntries(
    Object.entries(facts).map(([name, value]) => [name, typeof value === 'boolean' ? (value ? 'yes' : 'no') : value === null ? '' : String(value)]),
  );

/** What is typed as facts, for the decision while one types; `null` while a voltage is no number. The action checks again. */
export function factsTyped(values: Typed): PowerFacts | null {
  const volts = (typed = '') => (typed.trim() === '' ? null : Number(withPoint(typed)));
  const [labelVolts, atHandVolts] = [volts(values.labelVolts), volts(values.atHandVolts)];
  if ([labelVolts, atHandVolts].some((v) => v !== null && !(v > 0))) return null;
  const yes = (name: string) => values[name] === 'yes';
  return {
    ranAtSeller: yes('ranAtSeller'),
    longStored: yes('longStored'),
    supply: values.supply as PowerFacts['supply'],
    labelVolts,
    labelPolarity: values.labelPolarity as PowerFacts['labelPolarity'],
    atHandVolts,
    atHandPolarity: values.atHandPolarity as PowerFacts['atHandPolarity'],
    leaked: yes('leaked'),
    burntSmell: yes('burntSmell'),
    batteryLeaked: yes('batteryLeaked'),
    tubeInside: yes('tubeInside'),
    supplyChecked: yes('supplyChecked'),
  };
}
