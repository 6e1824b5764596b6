import type { Caution } from '../peroxide/cautions';
import { compareRails, type Rail } from './rails';

/** How it ran when it was last switched on, as far as anybody knows. */
export const LAST_RUNS = ['not known', 'seen working', 'failed', 'hummed', 'smoked', 'blew its fuse'] as const;
type LastRun = (typeof LAST_RUNS)[number];

export const SUPPLY_KINDS = ['mains inside', 'outside supply', 'batteries', 'not known'] as const;
type SupplyKind = (typeof SUPPLY_KINDS)[number];

export const POLARITIES = ['centre positive', 'centre negative', 'alternating', 'not on the label'] as const;
type Polarity = (typeof POLARITIES)[number];

/** What is known before anybody touches a switch. `null`: not known. */
export interface PowerFacts {
  lastRun: LastRun;
  longStored: boolean;
  supply: SupplyKind;
  /** What the label asks for, pin by pin where several voltages come over one plug; empty where it is not known. */
  labelVolts: Rail[];
  labelPolarity: Polarity;
  /** The supply at hand, where there is one outside the machine. */
  atHandVolts: Rail[];
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

export type PowerDecision = 'do not switch on' | 'supply to be checked by a technician first' | 'brief test';

export interface FirstPower {
  decision: PowerDecision;
  reasons: string[];
  caution: Caution;
}

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
    protection:
      'Goggles on, nothing burnable near, a hand at the plug. Switch off at smoke, smell or heat, at the latest after two minutes.',
    never: 'Never leave it running unwatched, and never with the case open where mains is inside.',
  },
};

/** What is wrong with the supply at hand against the label; empty where nothing is. */
function supplyFaults({ labelVolts, atHandVolts, labelPolarity, atHandPolarity }: PowerFacts): string[] {
  const faults = compareRails(labelVolts, atHandVolts).wrong;
  const known = labelPolarity !== 'not on the label' && atHandPolarity !== 'not on the label';
  if (known && labelPolarity !== atHandPolarity)
    faults.push(
      `The label says ${labelPolarity}, the supply at hand is ${atHandPolarity}. Reversed, it destroys the machine. Do not connect it.`,
    );
  return faults;
}

/** What the last run speaks against: what burnt or blew goes on where it stopped. */
const AGAINST: Partial<Record<LastRun, string>> = {
  smoked: 'It smoked when it was last switched on: something has burnt, and power would carry on where it stopped.',
  'blew its fuse':
    'It blew its fuse when it was last switched on: there is a short, and a new fuse only finds it again.',
};
const DOUBTS: Partial<Record<LastRun, string>> = {
  failed: 'It failed when it was last switched on, and nobody knows why.',
  hummed: 'It hummed when it was last switched on: that is a supply which works against a fault.',
};

/**
 * Whether the machine may be switched on before work starts. Anything that speaks against it wins; only what
 * is known to be good leads to a test, and mains or a picture tube never without a technician’s check.
 */
export function firstPower(facts: PowerFacts): FirstPower {
  const decide = (decision: PowerDecision, reasons: string[]): FirstPower => ({
    decision,
    reasons,
    caution: CAUTION[decision],
  });
  const { lastRun, supply } = facts;
  const against = supplyFaults(facts);
  if (AGAINST[lastRun]) against.push(AGAINST[lastRun]);
  if (facts.burntSmell)
    against.push('It smells burnt: something has failed already, and power would carry on where it stopped.');
  if (facts.leaked)
    against.push('Something has leaked: it conducts, and it eats tracks. It is cleaned and looked at first.');
  if (facts.batteryLeaked) against.push('A battery has leaked. It comes out and the spot is cleaned before any power.');
  if (against.length > 0) return decide('do not switch on', against);
  if (facts.supplyChecked) return decide('brief test', ['The supply was checked by somebody competent.']);
  const check: string[] = [];
  if (DOUBTS[lastRun]) check.push(DOUBTS[lastRun]);
  if (facts.tubeInside || supply === 'mains inside')
    check.push('Mains or a picture tube is inside: that is work for a qualified technician.');
  if (check.length === 0 && lastRun === 'seen working' && !facts.longStored)
    return decide('brief test', ['It was seen running a short while ago, and nothing speaks against it.']);
  if (facts.longStored) check.push('It stood for long: capacitors dry out, and the supply shows it first.');
  if (supply === 'not known') check.push('What supply it takes is not known.');
  if (supply === 'outside supply') {
    check.push(...compareRails(facts.labelVolts, facts.atHandVolts).unknown);
    if (facts.labelPolarity === 'not on the label' || facts.atHandPolarity === 'not on the label')
      check.push('The polarity is not known on both sides. Read both labels, or have the supply measured.');
  }
  if (check.length > 0) return decide('supply to be checked by a technician first', check);
  return decide('brief test', [
    `Its ${supply === 'batteries' ? 'batteries are' : 'supply is'} what the label asks for, it was not stored for long, and nothing leaked or burnt.`,
  ]);
}
