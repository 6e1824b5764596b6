import { assumed } from '../assumptions/assumptions';
import type { Caution } from '../peroxide/cautions';
import type { Fault } from './diagnosis';
import { CONNECTOR, type Line } from './board';
import type { KeyboardKind } from './kinds';

/** Ways to bring a line, a contact or a switch back. */
export const REPAIR_WAYS = [
  'reseat',
  'wipe',
  'abrade',
  'free',
  'paint',
  'film pads',
  'wire link',
  're-tin',
  'unbridge',
  'donor part',
  'new membrane',
] as const;
export type RepairWay = (typeof REPAIR_WAYS)[number];

export const REPAIR_OUTCOMES = ['works', 'no better', 'worse'] as const;
export type RepairOutcome = (typeof REPAIR_OUTCOMES)[number];

export interface RepairWords {
  title: string;
  /** Of hands. */
  minutes: number;
  /** Until it can be tested, on its own. */
  waitMin: number;
  /** Roughly, in the workshop’s currency, minor units. */
  costMinor: number;
  needs: readonly string[];
  risk: string;
  cautions: readonly Caution[];
  steps: readonly string[];
}

const ALCOHOL: Caution = {
  id: 'alcohol on keys',
  severity: 'caution',
  hazard: 'Alcohol burns, and its fumes make dizzy.',
  protection: 'air, gloves, no flame and nothing switched on',
  never: 'Never beside a hot iron: let it dry first.',
};
const PAINT: Caution = {
  id: 'conductive paint',
  severity: 'caution',
  hazard: 'The paint’s solvent harms skin and lungs and burns.',
  protection: 'air, gloves, glasses, no flame',
  never: 'Never on a board that is powered.',
};
const IRON: Caution = {
  id: 'hot iron',
  severity: 'caution',
  hazard: 'A hot iron burns; flux gives off fumes that harm lungs.',
  protection: 'a stand, glasses, air drawn away from the face',
  never: 'Never on foil, never on a board that is powered.',
};
const FIBRE: Caution = {
  id: 'glass fibres',
  severity: 'caution',
  hazard: 'Fibres of the pen break off and stick in skin and eyes.',
  protection: 'gloves, glasses, a damp wipe for what falls',
  never: 'Never blow them towards anybody.',
};
const BLADE: Caution = {
  id: 'sharp blade',
  severity: 'caution',
  hazard: 'A scalpel slips on hard board.',
  protection: 'glasses, the other hand behind the blade',
  never: 'Never towards a hand.',
};
const BRIDGES = 'Test every key afterwards, not only this one: solder and paint join neighbours.';

export const REPAIR: Record<RepairWay, RepairWords> = {
  reseat: {
    ...{
      title: 'Clean and reseat the plug or clamp',
      minutes: 10,
      waitMin: 5,
      costMinor: 20,
    },
    needs: ['isopropyl alcohol', 'lint-free wipe'],
    risk: 'A clamp forced with pliers splits; a carbon tail rubbed hard loses its layer.',
    cautions: [ALCOHOL],
    steps: [
      'Look whether it is a plug or a clamp with a sliding bar, before anything is pulled.',
      'Wipe the tail with alcohol, lightly, and let it dry.',
      'Put it back straight and to the stop; close the bar evenly.',
    ],
  },
  wipe: {
    ...{ title: 'Wipe pad and contact', minutes: 6, waitMin: 5, costMinor: 10 },
    needs: ['isopropyl alcohol', 'lint-free wipe'],
    risk: 'Hardly any.',
    cautions: [ALCOHOL],
    steps: ['Wipe both sides with alcohol, a fresh place of the wipe for each.', 'Let dry, then measure again.'],
  },
  abrade: {
    ...{
      title: 'Draw the carbon pad over plain paper',
      minutes: 5,
      waitMin: 0,
      costMinor: 0,
    },
    needs: ['plain paper'],
    risk: 'Grit takes the carbon off: paper only.',
    cautions: [],
    steps: ['A few strokes on plain paper, never on grit.', 'Wipe, then measure again.'],
  },
  free: {
    ...{ title: 'Free the key that stays on', minutes: 8, waitMin: 5, costMinor: 10 },
    needs: ['isopropyl alcohol', 'cotton swabs'],
    risk: 'Hardly any.',
    cautions: [ALCOHOL],
    steps: [
      'Cap and plunger out, straight.',
      'Swab guide and flanks with a wet end, then a dry one, fresh for each place.',
      'In again; it has to come back by itself many times.',
    ],
  },
  paint: {
    ...{
      title: 'Bridge the break with conductive paint',
      minutes: 35,
      waitMin: 120,
      costMinor: 150,
    },
    needs: ['conductive paint', 'polyimide tape', 'meter'],
    risk: 'Scraping can open a weak track wholly.',
    cautions: [PAINT],
    steps: [
      'Scrape the cover off both sides of the break until each reads bare with the meter.',
      'Paint a bridge, as wide as the track and well over both ends; a second coat when the first is dry.',
      'Let dry, measure over the bridge, cover with polyimide tape.',
      BRIDGES,
    ],
  },
  'film pads': {
    ...{ title: 'Stick-on or painted pads', minutes: 12, waitMin: 60, costMinor: 60 },
    needs: ['conductive pads or ink'],
    risk: 'A pad that stands proud is pressed all the time.',
    cautions: [PAINT],
    steps: ['Clean the old pad.', 'Set the new one flat and in the middle.', 'Measure pressed and let go.'],
  },
  'wire link': {
    ...{
      title: 'Link over the break with thin wire',
      minutes: 30,
      waitMin: 0,
      costMinor: 20,
    },
    needs: ['thin insulated wire', 'solder', 'flux', 'iron'],
    risk: 'Heat lifts old pads.',
    cautions: [IRON],
    steps: [
      'From the lifted pad to the next point of its track, bare and tinned.',
      'Short joints, little solder, wire laid flat and fixed.',
      BRIDGES,
    ],
  },
  're-tin': {
    ...{ title: 'Re-tin the corroded track', minutes: 50, waitMin: 10, costMinor: 30 },
    needs: ['magnifier', 'fibre pen', 'flux', 'solder', 'isopropyl alcohol'],
    risk: 'Heat lifts weak tracks; solder joins neighbours.',
    cautions: [FIBRE, IRON, ALCOHOL],
    steps: [
      'Magnifier: is metal gone, or is it dirt only?',
      'Fibre pen lightly, blow the splinters off, alcohol, look again.',
      'Much flux, little solder on a bevelled tip at about 45°, drawn along; a trial stretch first.',
      'Clean long with alcohol and lint-free wipes.',
      BRIDGES,
    ],
  },
  unbridge: {
    ...{ title: 'Part the two lines', minutes: 15, waitMin: 5, costMinor: 10 },
    needs: ['magnifier', 'desoldering braid or scalpel', 'isopropyl alcohol'],
    risk: 'A cut too deep opens the track.',
    cautions: [BLADE, IRON, ALCOHOL],
    steps: [
      'Look for solder, a whisker or dried drink between the two.',
      'Wash it off, draw the solder off, or cut the whisker.',
      'Measure between the two lines: open.',
      BRIDGES,
    ],
  },
  'donor part': {
    ...{
      title: 'Switch, dome or disc from a donor of the same family',
      minutes: 25,
      waitMin: 0,
      costMinor: 200,
    },
    needs: ['donor'],
    risk: 'Caps may fit across families where switches do not.',
    cautions: [IRON],
    steps: [
      'Mark its pins from behind with a pen.',
      'All joints molten before it is drawn straight out.',
      'The new one the same way round; continuity before the cap goes on.',
    ],
  },
  'new membrane': {
    ...{ title: 'A new membrane', minutes: 60, waitMin: 0, costMinor: 3500 },
    needs: ['new membrane'],
    risk: 'It is no longer the original; a wrong one does not fit.',
    cautions: [],
    steps: [
      'Where the machine is somebody’s, ask first.',
      'Compare outline and tails before anything is peeled.',
      'Lay it in, plug it, test all keys before closing.',
    ],
  },
};

type Printed = 'foil' | 'board' | 'board with foil';
const MADE: Record<KeyboardKind, Printed> = {
  switches: 'board',
  'carbon-pads': 'board',
  domes: 'foil',
  foil: 'foil',
  'rubber-pads': 'board',
  'micro-switches': 'board',
};

/** A way that was ruled out, and why. */
export interface RuledOut {
  way: RepairWay;
  why: string;
}

const PAINT_AT_FOLD = 'At a fold paint cracks again: it would not hold.';
const NO_SOLDER = 'Foil bears no solder.';

/** Which ways can mend a fault on a keyboard of a kind, and which of those that come to mind cannot. */
export function waysFor(
  fault: Fault,
  kind: KeyboardKind,
  lines: readonly Line[],
): { ways: RepairWay[]; out: RuledOut[] } {
  const foil = MADE[kind] === 'foil';
  switch (fault.kind) {
    case 'open': {
      const line = lines.find(({ id }) => id === fault.line);
      const [from] = fault.between;
      const folds = line?.foldAfter.includes(from) ?? false;
      const first = from === CONNECTOR;
      return {
        ways: [
          ...(first ? (['reseat'] as const) : []),
          ...(foil && !folds ? (['paint'] as const) : []),
          ...(foil ? (['new membrane'] as const) : (['re-tin', 'wire link', 'paint'] as const)),
        ],
        out: foil
          ? [...(folds ? [{ way: 'paint' as const, why: PAINT_AT_FOLD }] : []), { way: 'wire link', why: NO_SOLDER }]
          : [],
      };
    }
    case 'contact':
      if (kind === 'switches' || kind === 'micro-switches') return { ways: ['wipe', 'donor part'], out: [] };
      if (kind === 'domes' || kind === 'foil')
        return {
          ways: ['wipe', 'new membrane'],
          out: [{ way: 'abrade', why: 'A printed contact is thinner than paper takes off.' }],
        };
      return { ways: ['wipe', 'abrade', 'film pads', 'donor part'], out: [] };
    case 'stuck':
      return { ways: ['free', 'donor part'], out: [] };
    case 'bridge':
      return foil ? { ways: ['wipe', 'new membrane'], out: [] } : { ways: ['unbridge'], out: [] };
    case 'plug':
      return { ways: ['reseat', ...(foil ? (['new membrane'] as const) : (['re-tin'] as const))], out: [] };
  }
}

/** What this workshop saw of a way. */
export interface Tried {
  way: RepairWay;
  outcome: RepairOutcome;
}

export interface WayOdds {
  way: RepairWay;
  /** Chance that it works. */
  odds: number;
  /** Repairs of this workshop that it rests on; with none it is the guess alone. */
  from: number;
}

/** The chance of a way, the guess moved by what this workshop saw of it. */
export function oddsOfWay(way: RepairWay, tried: readonly Tried[]): WayOdds {
  const own = tried.filter((one) => one.way === way);
  const worked = own.filter(({ outcome }) => outcome === 'works').length;
  const weight = assumed('weight of a guessed repair');
  return {
    way,
    odds: (weight * assumed(`repair: ${way}`) + worked) / (weight + own.length),
    from: own.length,
  };
}

export const ORDERS = ['minutes', 'money'] as const;
export type Order = (typeof ORDERS)[number];

/** Ways in the order to try them, and what a working key takes by it. */
export interface Plan {
  order: WayOdds[];
  /** Expected, counting each way only where those before it failed. */
  minutes: number;
  costMinor: number;
  /** That none of them works. */
  leftOver: number;
}

/** What a way takes that has to be there, by the word that its name holds, and whether it is used up by one repair. */
const TAKES: Partial<Record<RepairWay, { word: string; whole: boolean }>> = {
  paint: { word: 'conductive paint', whole: false },
  'film pads': { word: 'pads', whole: true },
  'wire link': { word: 'solder', whole: false },
  're-tin': { word: 'solder', whole: false },
  'donor part': { word: 'donor', whole: true },
  'new membrane': { word: 'membrane', whole: true },
};

/** Ways that put another part in the place of the original. */
export const TAKES_A_PART = REPAIR_WAYS.filter((way) => TAKES[way]?.whole);

/** Something in the stores, as far as a repair asks. */
export interface InStores {
  name: string;
  priceMinor: number | null;
}

/** What a way costs by the stores: a whole part by its own price, a share of a bottle by the guess. */
export interface WayCost {
  costMinor: number;
  /** What of the stores it takes; `null`: to be bought; left out where nothing has to be bought. */
  from?: string | null;
}

/** What a way costs, and whether the stores have what it takes. */
export function costOf(way: RepairWay, stores: readonly InStores[]): WayCost {
  const takes = TAKES[way];
  const { costMinor } = REPAIR[way];
  if (!takes) return { costMinor };
  const there = stores.find(({ name }) => name.toLowerCase().includes(takes.word));
  if (!there) return { costMinor, from: null };
  return { costMinor: takes.whole ? (there.priceMinor ?? costMinor) : costMinor, from: there.name };
}

/** Expected minutes and money of trying ways in an order, each only where those before it failed. */
export function expectedOf(order: readonly WayOdds[], stores: readonly InStores[] = []): Omit<Plan, 'order'> {
  let [reached, minutes, costMinor] = [1, 0, 0];
  for (const { way, odds } of order) {
    minutes += reached * REPAIR[way].minutes;
    costMinor += reached * costOf(way, stores).costMinor;
    reached *= 1 - odds;
  }
  return { minutes, costMinor, leftOver: reached };
}

/**
 * The order in which ways are tried for the least expected minutes, or the least money with hands at their rate: by the
 * chance that each brings for what it takes, which is the best order while one way failing says nothing of the others.
 *
 * @param rateMinor what an hour of hands counts for, minor units
 * @param stores what is there, with its price
 */
export function planOf(
  ways: readonly RepairWay[],
  tried: readonly Tried[],
  order: Order,
  rateMinor: number,
  stores: readonly InStores[] = [],
): Plan {
  const takes = (way: RepairWay) =>
    order === 'minutes' ? REPAIR[way].minutes : costOf(way, stores).costMinor + (REPAIR[way].minutes / 60) * rateMinor;
  const ordered = ways
    .map((way) => oddsOfWay(way, tried))
    .sort((a, b) => b.odds / Math.max(1e-9, takes(b.way)) - a.odds / Math.max(1e-9, takes(a.way)));
  return { order: ordered, ...expectedOf(ordered, stores) };
}
