import type { Caution } from '../peroxide/cautions';

export const SUPPLY_KINDS = ['mains inside', 'outside supply', 'batteries', 'not known'] as const;
type SupplyKind = (typeof SUPPLY_KINDS)[number];

export const POLARITIES = ['centre positive', 'centre negative', 'alternating', 'not on the label'] as const;
type Polarity = (typeof POLARITIES)[number];

/** What is known before anybody touches a switch. `null`: not known. */
export interface PowerFacts {
  /** Run by the seller, seen to work. */
  ranAtSeller: boolean;
  longStored: boolean;
  supply: SupplyKind;
  labelVolts: number | null;
  labelPolarity: Polarity;
  /** The supply at hand, where there is one outside the machine. */
  atHandVolts: number | null;
  atHandPolarity: Polarity;
  /** Wet, crusted or brown spots, or a fishy smell. */
  leaked: boolean;
  burntSmell: boolean;
  batteryLeaked: boolean;
  /** A picture tube or an open mains part. */
  tubeInside: boolean;
  /** The supply passed a check by somebody competent. */
  supplyChecked: boolean;
}

type PowerDecision = 'do not switch on' | 'supply to be checked by a technician first' | 'brief test';

export interface FirstPower {
  decision: PowerDecision;
  reasons: string[];
  caution: Caution;
}

const VOLTS_TOLERANCE = 0.05;

const CAUTION: Record<PowerDecision, Caution> = {
  'do not switch on': {
    id: 'power-no',
    severity: 'strong',
    hazard:
      'Leaked parts and wrong supplies do real damage in the first second. Mains supplies and picture tubes hold a lethal charge after unplugging.',
    protection: 'Leave it unplugged. Take batteries out with gloves on: what leaks from them is caustic.',
    never: 'Never try it “just once”. Mains parts and picture tubes are for a qualified technician.',
  },
  'supply to be checked by a technician first': {
    id: 'power-check',
    severity: 'strong',
    hazard: 'A supply that stood for years may give far too much voltage, or burn. Unplugged is not discharged.',
    protection: 'A qualified technician checks the supply apart from the machine, under load.',
    never: 'Never open a mains supply or the housing of a picture tube yourself.',
  },
  'brief test': {
    id: 'power-brief',
    severity: 'caution',
    hazard: 'Dried capacitors and old tantalum ones can burst in the first minutes.',
    protection: 'Goggles on, nothing burnable near, a hand at the plug. Switch off at smoke, smell or heat, at the latest after two minutes.',
    never: 'Never leave it running unwatched, and never with the case open where mains is inside.',
  },
};

/** What is wrong with the supply at hand against the label; empty where nothing is. */
function supplyFaults({ labelVolts, atHandVolts, labelPolarity, atHandPolarity }: PowerFacts): string[] {
  const faults: string[] = [];
  if (labelVolts !== null && atHandVolts !== null && Math.abs(atHandVolts - labelVolts) > VOLTS_TOLERANCE * labelVolts)
    faults.push(
      `The label asks for ${labelVolts} V and the supply at hand gives ${atHandVolts} V. ${atHandVolts > labelVolts ? 'Too much voltage destroys chips at once.' : 'Too little lets drives and memory fail.'} Find one of ${labelVolts} V.`,
    );
  const known = labelPolarity !== 'not on the label' && atHandPolarity !== 'not on the label';
  if (known && labelPolarity !== atHandPolarity)
    faults.push(`The label says ${labelPolarity}, the supply at hand is ${atHandPolarity}. Reversed, it destroys the machine. Do not connect it.`);
  return faults;
}

/**
 * Whether the machine may be switched on before work starts. Anything that speaks against it wins; only what
 * is known to be good leads to a test.
 */
export function firstPower(facts: PowerFacts): FirstPower {
  const decide = (decision: PowerDecision, reasons: string[]): FirstPower => ({ decision, reasons, caution: CAUTION[decision] });
  const against = supplyFaults(facts);
  if (facts.burntSmell) against.push('It smells burnt: something has failed already, and power would carry on where it stopped.');
  if (facts.leaked) against.push('Something has leaked: it conducts, and it eats tracks. It is cleaned and looked at first.');
  if (facts.batteryLeaked) against.push('A battery has leaked. It comes out and the spot is cleaned before any power.');
  if (against.length > 0) return decide('do not switch on', against);
  if (facts.supplyChecked) return decide('brief test', ['The supply was checked by somebody competent.']);
  if (facts.ranAtSeller && !facts.longStored) return decide('brief test', ['It was seen running a short while ago, and nothing speaks against it.']);
  const check: string[] = [];
  if (facts.longStored) check.push('It stood for long: capacitors dry out, and the supply shows it first.');
  if (facts.tubeInside || facts.supply === 'mains inside') check.push('Mains or a picture tube is inside: that is work for a qualified technician.');
  if (facts.supply === 'not known') check.push('What supply it takes is not known.');
  if (
    facts.supply === 'outside supply' &&
    (facts.labelVolts === null ||
      facts.atHandVolts === null ||
      facts.labelPolarity === 'not on the label' ||
      facts.atHandPolarity === 'not on the label')
  )
    check.push('Voltage or polarity is not known on both sides. Read both labels, or have the supply measured.');
  if (check.length > 0) return decide('supply to be checked by a technician first', check);
  return decide('brief test', [
    `Its ${facts.supply === 'batteries' ? 'batteries are' : 'supply is'} what the label asks for, it was not stored for long, and nothing leaked or burnt.`,
  ]);
}
