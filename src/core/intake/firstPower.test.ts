import fc from 'fast-check';
import { firstPower, POLARITIES, SUPPLY_KINDS, type PowerFacts } from './firstPower';

const GOOD: PowerFacts = {
  ranAtSeller: false,
  longStored: false,
  supply: 'outside supply',
  labelVolts: 9,
  labelPolarity: 'centre negative',
  atHandVolts: 9,
  atHandPolarity: 'centre negative',
  leaked: false,
  burntSmell: false,
  batteryLeaked: false,
  tubeInside: false,
  supplyChecked: false,
};
const decide = (facts: Partial<PowerFacts>) => firstPower({ ...GOOD, ...facts });

it.each([
  [{}, 'brief test', /what the label asks for/],
  [{ atHandVolts: 12 }, 'do not switch on', /asks for 9 V .* gives 12 V\. Too much/],
  [{ atHandVolts: 5 }, 'do not switch on', /Too little/],
  [{ atHandPolarity: 'centre positive' }, 'do not switch on', /Reversed/],
  [{ labelPolarity: 'alternating' }, 'do not switch on', /Do not connect it/],
  [{ burntSmell: true, ranAtSeller: true }, 'do not switch on', /burnt/],
  [{ batteryLeaked: true, supplyChecked: true }, 'do not switch on', /battery/],
  [{ longStored: true }, 'supply to be checked by a technician first', /dry out/],
  [{ longStored: true, ranAtSeller: true }, 'supply to be checked by a technician first', /dry out/],
  [{ longStored: true, supplyChecked: true }, 'brief test', /competent/],
  [{ supply: 'mains inside' }, 'supply to be checked by a technician first', /qualified technician/],
  [{ supply: 'mains inside', ranAtSeller: true }, 'brief test', /seen running/],
  [{ supply: 'not known' }, 'supply to be checked by a technician first', /not known/],
  [{ labelVolts: null }, 'supply to be checked by a technician first', /Read both labels/],
  [{ supply: 'batteries', labelVolts: null }, 'brief test', /batteries are/],
] as [Partial<PowerFacts>, string, RegExp][])('%j: %s', (facts, decision, reason) => {
  const found = decide(facts);
  expect(found.decision).toBe(decision);
  expect(found.reasons.join(' ')).toMatch(reason);
});

it('nothing that is known to be good ever outweighs a leak, a burnt smell or a wrong supply', () => {
  const flag = fc.boolean();
  const facts = fc.record({
    ranAtSeller: flag,
    longStored: flag,
    supply: fc.constantFrom(...SUPPLY_KINDS),
    labelVolts: fc.constantFrom(null, 5, 9, 12),
    labelPolarity: fc.constantFrom(...POLARITIES),
    atHandVolts: fc.constantFrom(null, 5, 9, 12),
    atHandPolarity: fc.constantFrom(...POLARITIES),
    leaked: flag,
    burntSmell: flag,
    batteryLeaked: flag,
    tubeInside: flag,
    supplyChecked: flag,
  });
  fc.assert(
    fc.property(facts, (given) => {
      const { decision, reasons, caution } = firstPower(given);
      expect(reasons.length).toBeGreaterThan(0);
      expect(caution.protection).not.toBe('');
      const wrongVolts = given.labelVolts !== null && given.atHandVolts !== null && given.labelVolts !== given.atHandVolts;
      if (given.leaked || given.burntSmell || given.batteryLeaked || wrongVolts) expect(decision).toBe('do not switch on');
    }),
  );
});
