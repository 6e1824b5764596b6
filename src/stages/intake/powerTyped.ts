import type { PowerFacts } from '@/core/intake/firstPower';
import { railsTyped, typedRails } from '@/core/intake/rails';

type Typed = Record<string, string>;

/** Facts as the form shows them. */
export const typedFacts = ({ labelVolts, atHandVolts, ...facts }: PowerFacts): Typed => ({
  ...Object.fromEntries(
    Object.entries(facts).map(([name, value]) => [name, typeof value === 'boolean' ? (value ? 'yes' : 'no') : value]),
  ),
  labelVolts: typedRails(labelVolts),
  atHandVolts: typedRails(atHandVolts),
});

/** What is typed as facts, for the decision while one types; `null` while a voltage is no number. The action checks again. */
export function factsTyped(values: Typed): PowerFacts | null {
  const [labelVolts, atHandVolts] = [railsTyped(values.labelVolts ?? ''), railsTyped(values.atHandVolts ?? '')];
  if (labelVolts === null || atHandVolts === null) return null;
  const yes = (name: string) => values[name] === 'yes';
  return {
    lastRun: values.lastRun as PowerFacts['lastRun'],
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
