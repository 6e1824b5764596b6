import fc from 'fast-check';
import { firstPower, LAST_RUNS, POLARITIES, SUPPLY_KINDS, type PowerFacts } from './firstPower';

const GOOD: PowerFacts = {
  lastRun: 'not known',
  longStored: false,
  supply: 'outside supply',
  labelVolts: [{ pin: '', volts: 9 }],
  labelPolarity: 'centre negative',
  atHandVolts: [{ pin: '', volts: 9 }],
  atHandPolarity: 'centre negative',
  leaked: false,
  burntSmell: false,
  batteryLeaked: false,
  tubeInside: false,
  supplyChecked: false,
};
const volts = (value: number) => [{ pin: '', volts: value }];
const FIVE_TWELVE = [
  { pin: '1', volts: 5 },
  { pin: '2', volts: 12 },
];
const decide = (facts: Partial<PowerFacts>) => firstPower({ ...GOOD, ...facts });

it.each([
  [{}, 'brief test', /what the label asks for/],
  [{ atHandVolts: volts(12) }, 'do not switch on', /asks for 9 V .* gives 12 V\. Too much/],
  [{ atHandVolts: volts(5) }, 'do not switch on', /Too little/],
  [{ atHandPolarity: 'centre positive' }, 'do not switch on', /Reversed/],
  [{ labelPolarity: 'alternating' }, 'do not switch on', /Do not connect it/],
  [{ burntSmell: true, lastRun: 'seen working' }, 'do not switch on', /burnt/],
  [{ batteryLeaked: true, supplyChecked: true }, 'do not switch on', /battery/],
  [{ longStored: true }, 'supply to be checked by a technician first', /dry out/],
  [{ longStored: true, lastRun: 'seen working' }, 'supply to be checked by a technician first', /dry out/],
  [{ longStored: true, supplyChecked: true }, 'brief test', /competent/],
  [{ supply: 'mains inside' }, 'supply to be checked by a technician first', /qualified technician/],
  [{ lastRun: 'seen working' }, 'brief test', /seen running/],
  [
    { supply: 'mains inside', lastRun: 'seen working' },
    'supply to be checked by a technician first',
    /qualified technician/,
  ],
  [{ tubeInside: true, lastRun: 'seen working' }, 'supply to be checked by a technician first', /qualified technician/],
  [{ supply: 'mains inside', supplyChecked: true }, 'brief test', /competent/],
  [{ lastRun: 'smoked', supplyChecked: true }, 'do not switch on', /smoked/],
  [{ lastRun: 'blew its fuse' }, 'do not switch on', /fuse/],
  [{ lastRun: 'hummed' }, 'supply to be checked by a technician first', /hummed/],
  [{ lastRun: 'failed' }, 'supply to be checked by a technician first', /failed/],
  [{ labelVolts: FIVE_TWELVE, atHandVolts: FIVE_TWELVE }, 'brief test', /what the label asks/],
  [
    { labelVolts: FIVE_TWELVE, atHandVolts: [...FIVE_TWELVE].map(({ pin, volts: v }) => ({ pin, volts: 17 - v })) },
    'do not switch on',
    /Pin 1 is to carry 5 V/,
  ],
  [
    {
      labelVolts: FIVE_TWELVE,
      atHandVolts: [
        { pin: '', volts: 12 },
        { pin: '', volts: 5 },
      ],
    },
    'supply to be checked by a technician first',
    /pin by pin/,
  ],
  [{ labelVolts: FIVE_TWELVE, atHandVolts: volts(5) }, 'do not switch on', /gives 5 V/],
  [{ supply: 'not known' }, 'supply to be checked by a technician first', /not known/],
  [{ labelVolts: [] }, 'supply to be checked by a technician first', /Read both labels/],
  [{ supply: 'batteries', labelVolts: [] }, 'brief test', /batteries are/],
] as [Partial<PowerFacts>, string, RegExp][])('%j: %s', (facts, decision, reason) => {
  const found = decide(facts);
  expect(found.decision).toBe(decision);
  expect(found.reasons.join(' ')).toMatch(reason);
});

it('nothing that is known to be good ever outweighs a leak, a burnt smell or a wrong supply', () => {
  const flag = fc.boolean();
  const facts = fc.record({
    lastRun: fc.constantFrom(...LAST_RUNS),
    longStored: flag,
    supply: fc.constantFrom(...SUPPLY_KINDS),
    labelVolts: fc.constantFrom([], volts(5), volts(9), FIVE_TWELVE),
    labelPolarity: fc.constantFrom(...POLARITIES),
    atHandVolts: fc.constantFrom([], volts(5), volts(9), FIVE_TWELVE),
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
      const wrongVolts =
        given.labelVolts.length > 0 &&
        given.atHandVolts.length > 0 &&
        JSON.stringify(given.labelVolts) !== JSON.stringify(given.atHandVolts);
      const burnt = given.lastRun === 'smoked' || given.lastRun === 'blew its fuse';
      if (given.leaked || given.burntSmell || given.batteryLeaked || burnt || wrongVolts)
        expect(decision).toBe('do not switch on');
      if ((given.tubeInside || given.supply === 'mains inside') && !given.supplyChecked)
        expect(decision).not.toBe('brief test');
    }),
  );
});
