import { Refusal } from '../refusal';
import type { Family } from './families';
import type { OwnId } from './ownId';
import type { SurfaceId } from './surfaces';
import type { Roughness } from './roughness';

/** How wet a piece gets. */
type Wetness = 'dry' | 'damp' | 'bath';

export interface Agent {
  title: string;
  does: string;
  /** What it is made of, as surfaces and other agents feel it. */
  families: readonly Family[];
  roughness: Roughness;
  wet: Wetness;
  /** What evaporates from it last, for drying. */
  leaves: 'nothing' | 'water' | 'alcohol' | 'vinegar' | 'oil';
  /** Minutes that it is left to work. */
  dwellMin: number;
  /** Minutes of hands for one piece or spot. */
  handsMin: number;
  rinse: string;
  protection: string;
  /** For each litre of a bath, with its unit; `null` where it is not mixed. */
  perLitre: { amount: number; unit: 'mL' | 'g' } | null;
  /** Never below and above this, °C; `null`: as the room is. */
  bathC: number | null;
  source: 'craft' | 'workshop wisdom' | 'product sheets' | 'this workshop';
  /** Asked for only where one of these is touched; elsewhere there are plainer ways. */
  meantFor?: readonly SurfaceId[];
}

const dry = { wet: 'dry', leaves: 'nothing', dwellMin: 0, rinse: 'none', perLitre: null, bathC: null } as const;
const damp = {
  wet: 'damp',
  leaves: 'water',
  dwellMin: 1,
  rinse: 'wipe with a damp cloth, then dry',
  perLitre: null,
  bathC: null,
} as const;
const GLOVES = 'gloves';
const BOARDS = ['circuit-board'] as const;
const ACID = 'acid-proof gloves and goggles, air';

/** Agents and actions of the sink, each as it is meant to be used. */
const AGENTS = {
  air: {
    ...dry,
    title: 'Hand bulb or dry air',
    does: 'Blows dust out of gaps.',
    families: ['air'],
    roughness: 0,
    handsMin: 3,
    protection: 'dust mask; goggles',
    source: 'craft',
  },
  'vacuum-brush': {
    ...dry,
    title: 'Vacuum with a soft brush',
    does: 'Takes half of what lies under the caps.',
    families: ['air', 'brush'],
    roughness: 0,
    handsMin: 5,
    protection: 'dust mask; earthed nozzle near boards',
    source: 'craft',
  },
  'soft-brush': {
    ...dry,
    title: 'Soft dry brush',
    does: 'Moves loose dirt out of texture.',
    families: ['brush'],
    roughness: 1,
    handsMin: 5,
    protection: 'dust mask',
    source: 'craft',
  },
  'dry-cloth': {
    ...dry,
    title: 'Dry soft cloth',
    does: 'Takes what comes off by itself.',
    families: ['brush'],
    roughness: 1,
    handsMin: 3,
    protection: 'none',
    source: 'workshop wisdom',
  },
  'cleaning-gum': {
    ...dry,
    title: 'Soft cleaning gum',
    does: 'Lifts dust from vents and texture without rubbing.',
    families: ['gum'],
    roughness: 1,
    handsMin: 6,
    protection: 'none',
    source: 'workshop wisdom',
  },
  'water-wipe': {
    ...damp,
    title: 'Damp cloth',
    does: 'Takes what water takes, without wetting the inside.',
    families: ['damp'],
    roughness: 2,
    handsMin: 4,
    protection: 'none',
    rinse: 'dry with a cloth',
    source: 'craft',
  },
  'soap-wipe': {
    ...damp,
    title: 'Cloth with dish soap',
    does: 'Grease and sugar, where a bath cannot go.',
    families: ['damp', 'soap'],
    roughness: 2,
    dwellMin: 3,
    handsMin: 8,
    protection: GLOVES,
    source: 'craft',
  },
  'soap-soak': {
    ...damp,
    title: 'Warm water and dish soap',
    does: 'Soaks a quarter of an hour; a toothbrush then reaches every face.',
    families: ['bath', 'soap', 'brush'],
    roughness: 2,
    wet: 'bath',
    dwellMin: 15,
    handsMin: 12,
    rinse: 'clear water until nothing foams',
    protection: GLOVES,
    perLitre: { amount: 5, unit: 'mL' },
    bathC: 38,
    source: 'craft',
  },
  'hose-rinse': {
    ...damp,
    title: 'Hose or shower, outdoors',
    does: 'Takes what lies loose on shells without metal; a first pass that seems to do little is normal.',
    families: ['bath'],
    roughness: 2,
    wet: 'bath',
    dwellMin: 0,
    handsMin: 5,
    rinse: 'let it run off',
    protection: 'none',
    source: 'craft',
  },
  'enzyme-wipe': {
    ...damp,
    title: 'Enzyme cleaner',
    does: 'Digests sugar, milk and what animals leave.',
    families: ['damp', 'soap', 'enzyme'],
    roughness: 2,
    dwellMin: 20,
    handsMin: 5,
    protection: GLOVES,
    source: 'product sheets',
  },
  'glass-cleaner': {
    ...damp,
    title: 'Glass cleaner',
    does: 'A little alcohol in water: light grease.',
    families: ['damp', 'alcoholMild'],
    roughness: 3,
    handsMin: 5,
    protection: 'air',
    source: 'craft',
  },
  'isopropyl-half': {
    ...damp,
    title: 'Isopropyl alcohol, half water',
    does: 'Light grease where strong alcohol is too much.',
    families: ['damp', 'alcoholMild'],
    roughness: 3,
    handsMin: 6,
    protection: 'gloves, air, no flame',
    source: 'workshop wisdom',
  },
  'dabbed-water': {
    ...damp,
    title: 'Pure water, dabbed',
    does: 'Takes sugar and salts off a board: alcohol does not.',
    families: ['dabbed'],
    roughness: 1,
    handsMin: 8,
    rinse: 'dab dry, then alcohol, then hand-warm air',
    protection: GLOVES,
    source: 'workshop wisdom',
    meantFor: BOARDS,
  },
  'dabbed-vinegar': {
    ...damp,
    title: 'Weak vinegar, dabbed',
    does: 'Neutralises an alkaline leak on a board: one part vinegar in four of pure water, on a bud.',
    families: ['dabbed', 'weakAcid'],
    roughness: 1,
    leaves: 'vinegar',
    dwellMin: 2,
    handsMin: 10,
    rinse: 'pure water, dabbed, until nothing smells; then alcohol, then hand-warm air',
    protection: 'gloves, goggles',
    source: 'workshop wisdom',
    meantFor: BOARDS,
  },
  'dabbed-bicarbonate': {
    ...damp,
    title: 'Weak bicarbonate, dabbed',
    does: 'Neutralises an acid leak on a board: a teaspoon in a glass of pure water, on a bud.',
    families: ['dabbed', 'mildAlkali'],
    roughness: 1,
    dwellMin: 2,
    handsMin: 10,
    rinse: 'pure water, dabbed, twice; then alcohol, then hand-warm air',
    protection: 'gloves, goggles',
    source: 'workshop wisdom',
    meantFor: BOARDS,
  },
  isopropyl: {
    ...damp,
    title: 'Isopropyl alcohol',
    does: 'Scuffs, marker, flux, the last of the grease.',
    families: ['alcohol'],
    roughness: 3,
    leaves: 'alcohol',
    handsMin: 12,
    rinse: 'evaporates',
    protection: 'gloves, air, no flame',
    source: 'craft',
  },
  'contact-cleaner': {
    ...dry,
    title: 'Contact cleaner that leaves nothing',
    does: 'Rinses flux and film from contacts.',
    families: ['volatile'],
    roughness: 3,
    leaves: 'alcohol',
    handsMin: 4,
    rinse: 'evaporates',
    protection: 'gloves, air, no flame, power off',
    source: 'product sheets',
  },
  'bicarbonate-wipe': {
    ...damp,
    title: 'Bicarbonate in water',
    does: 'Neutralises what an acid leak left.',
    families: ['damp', 'mildAlkali'],
    roughness: 3,
    dwellMin: 5,
    handsMin: 8,
    rinse: 'damp cloth twice, then alcohol on metal',
    protection: 'gloves, goggles',
    source: 'workshop wisdom',
  },
  'sugar-soap': {
    ...damp,
    title: 'Sugar soap',
    does: 'Nicotine and kitchen film.',
    families: ['damp', 'alkali'],
    roughness: 4,
    dwellMin: 5,
    handsMin: 10,
    protection: 'gloves, goggles',
    source: 'craft',
  },
  'kitchen-degreaser': {
    ...damp,
    title: 'Kitchen degreaser',
    does: 'Old fat and film.',
    families: ['damp', 'alkali'],
    roughness: 4,
    dwellMin: 4,
    handsMin: 8,
    protection: 'gloves, goggles',
    source: 'craft',
  },
  'oxygen-soak': {
    ...damp,
    title: 'Warm oxygen-bleach soak',
    does: 'Lifts coffee, mould stain and nicotine; lightens too, unevenly.',
    families: ['bath', 'alkali', 'peroxide', 'warmth'],
    roughness: 4,
    wet: 'bath',
    dwellMin: 120,
    handsMin: 10,
    rinse: 'clear water, several times',
    protection: 'gloves, goggles; never a sealed vessel',
    perLitre: { amount: 30, unit: 'g' },
    bathC: 45,
    source: 'craft',
  },
  vinegar: {
    ...damp,
    title: 'Vinegar',
    does: 'Neutralises an alkaline leak, takes scale and light rust stain.',
    families: ['damp', 'weakAcid'],
    roughness: 4,
    leaves: 'vinegar',
    dwellMin: 20,
    handsMin: 8,
    rinse: 'water, then alcohol on metal',
    protection: 'gloves, goggles',
    source: 'craft',
  },
  'citric-acid': {
    ...damp,
    title: 'Citric acid in water',
    does: 'As vinegar, without the smell.',
    families: ['damp', 'weakAcid'],
    roughness: 4,
    dwellMin: 20,
    handsMin: 8,
    rinse: 'water, then alcohol on metal',
    protection: 'gloves, goggles',
    source: 'workshop wisdom',
  },
  'penetrating-oil': {
    ...dry,
    title: 'Penetrating oil',
    does: 'Creeps under label glue; alcohol takes the oil off again.',
    families: ['oil'],
    roughness: 5,
    leaves: 'oil',
    dwellMin: 15,
    handsMin: 8,
    rinse: 'alcohol',
    protection: 'gloves, air',
    source: 'craft',
  },
  'citrus-remover': {
    ...dry,
    title: 'Citrus glue remover',
    does: 'Softens label glue and sticky rubber.',
    families: ['citrus'],
    roughness: 5,
    leaves: 'oil',
    dwellMin: 5,
    handsMin: 6,
    rinse: 'soap and water, or alcohol',
    protection: 'gloves, air, no flame',
    source: 'product sheets',
  },
  'white-spirit': {
    ...dry,
    title: 'White spirit',
    does: 'Old grease, glue and oil paint.',
    families: ['spirit'],
    roughness: 5,
    leaves: 'oil',
    dwellMin: 3,
    handsMin: 8,
    rinse: 'soap and water, or alcohol',
    protection: 'gloves, air, no flame',
    source: 'product sheets',
  },
  'warm-air': {
    ...dry,
    title: 'Warm air',
    does: 'Softens adhesive; glue somebody else added may not let go.',
    families: ['warmth'],
    roughness: 5,
    dwellMin: 2,
    handsMin: 8,
    protection: 'fingers away; keep the air moving',
    source: 'craft',
  },
  'plastic-card': {
    ...dry,
    title: 'Edge of a plastic card',
    does: 'Lifts what stands up from the surface.',
    families: ['scraper'],
    roughness: 5,
    handsMin: 8,
    protection: 'goggles',
    source: 'workshop wisdom',
  },
  acetone: {
    ...dry,
    title: 'Acetone',
    does: 'Dissolves glue and paint, and most plastics with them.',
    families: ['ketone'],
    roughness: 9,
    leaves: 'alcohol',
    handsMin: 4,
    rinse: 'evaporates',
    protection: 'gloves, air, no flame',
    source: 'product sheets',
  },
  eraser: {
    ...dry,
    title: 'Pencil eraser',
    does: 'Rubs off pencil and rubber scuffs.',
    families: ['rub'],
    roughness: 5,
    handsMin: 6,
    protection: 'none',
    source: 'workshop wisdom',
  },
  'plain-paper': {
    ...dry,
    title: 'Rubbed on plain paper',
    does: 'Freshens a carbon pad; never with grit.',
    families: ['rub'],
    roughness: 5,
    handsMin: 3,
    protection: 'none',
    source: 'craft',
  },
  'plastic-polish': {
    ...dry,
    title: 'Plastic polish',
    does: 'Takes haze from clear plastic, not deep scratches.',
    families: ['polish'],
    roughness: 6,
    handsMin: 15,
    rinse: 'wipe off whole',
    protection: GLOVES,
    source: 'craft',
  },
  melamine: {
    ...damp,
    title: 'Melamine foam',
    does: 'A fine abrasive: scuffs and film that alcohol left.',
    families: ['damp', 'micro'],
    roughness: 6,
    handsMin: 10,
    protection: GLOVES,
    source: 'craft',
  },
  'soda-paste': {
    ...damp,
    title: 'Baking soda paste',
    does: 'Abrasive; takes a trace of plastic and gets into texture.',
    families: ['damp', 'abrasive', 'mildAlkali'],
    roughness: 7,
    handsMin: 12,
    rinse: 'water and a brush until no white is left',
    protection: GLOVES,
    source: 'craft',
  },
  'glass-fibre-pen': {
    ...dry,
    title: 'Glass-fibre pen',
    does: 'Takes corrosion off contacts and traces.',
    families: ['fibre'],
    roughness: 7,
    handsMin: 8,
    rinse: 'alcohol',
    protection: 'gloves, goggles, mask: splinters',
    source: 'craft',
  },
  'brass-brush': {
    ...dry,
    title: 'Brass brush',
    does: 'Loose rust from bare metal.',
    families: ['wire'],
    roughness: 7,
    handsMin: 10,
    protection: 'goggles, dust mask',
    source: 'workshop wisdom',
  },
  'fine-steel-wool': {
    ...dry,
    title: 'Finest steel wool',
    does: 'Surface rust from bare metal.',
    families: ['wire'],
    roughness: 8,
    handsMin: 12,
    rinse: 'oil or wax at once',
    protection: 'goggles, gloves; no splinters near boards',
    source: 'workshop wisdom',
  },
  'cream-cleanser': {
    ...damp,
    title: 'Cream cleanser and scouring pad',
    does: 'Film that nothing gentler lifts.',
    families: ['damp', 'abrasive', 'chalk'],
    roughness: 8,
    handsMin: 10,
    rinse: 'water',
    protection: GLOVES,
    source: 'craft',
  },
  'wet-sanding': {
    ...damp,
    title: 'Wet sanding, 1000 to 1500 grit',
    does: 'Ink that nothing lifts; light, with much soapy water.',
    families: ['damp', 'sanding'],
    roughness: 8,
    handsMin: 20,
    rinse: 'water',
    protection: 'goggles; dust mask once it dries',
    source: 'craft',
  },
  descaler: {
    ...damp,
    title: 'Descaler',
    does: 'Scale and rust stain.',
    families: ['damp', 'midAcid'],
    roughness: 8,
    dwellMin: 10,
    handsMin: 8,
    rinse: 'much water',
    protection: ACID,
    source: 'craft',
  },
  'bathroom-acid': {
    ...damp,
    title: 'Acid bathroom cleaner',
    does: 'Scale and rust stain.',
    families: ['damp', 'midAcid'],
    roughness: 8,
    dwellMin: 10,
    handsMin: 8,
    rinse: 'much water',
    protection: ACID,
    source: 'craft',
  },
  'hydrochloric-acid': {
    ...damp,
    title: 'Hydrochloric acid',
    does: 'Rust stain on plastic, in a few short applications.',
    families: ['damp', 'strongAcid'],
    roughness: 9,
    dwellMin: 2,
    handsMin: 10,
    rinse: 'much water, at once',
    protection: 'acid-proof gloves, goggles, outdoors, water at hand',
    source: 'craft',
  },
  'chlorine-bleach': {
    ...damp,
    title: 'Chlorine bleach',
    does: 'Kills mould; on the bench mostly a thing to keep away.',
    families: ['damp', 'chlorine'],
    roughness: 9,
    dwellMin: 5,
    handsMin: 6,
    rinse: 'much water',
    protection: 'gloves, goggles, air',
    source: 'product sheets',
  },
  blade: {
    ...dry,
    title: 'Sharp blade',
    does: 'Cuts old glue, and what is under it.',
    families: ['blade'],
    roughness: 9,
    handsMin: 10,
    protection: 'goggles, cut-proof gloves',
    source: 'craft',
  },
} as const satisfies Record<string, Agent>;

/** An agent of the data set. */
export type KnownAgentId = keyof typeof AGENTS;
export type AgentId = KnownAgentId | OwnId;
export const AGENT_IDS = Object.keys(AGENTS) as KnownAgentId[];

/** An agent that a workshop added. Its verdicts follow from what it is made of. */
export interface OwnAgent extends Agent {
  id: OwnId;
  /** Chance that one pass takes a soil, by soil. */
  takes: Readonly<Record<string, number>>;
}

/** Every agent: the data set's first, then the workshop's own. */
export const agentIds = (own: readonly OwnAgent[] = []): AgentId[] => [...AGENT_IDS, ...own.map(({ id }) => id)];

/** @throws Refusal for an agent of its own that this workshop does not have */
export function agentOf(id: AgentId, own: readonly OwnAgent[] = []): Agent {
  const known = id in AGENTS ? AGENTS[id as KnownAgentId] : own.find((agent) => agent.id === id);
  if (!known) throw new Refusal('agent', 'This agent is not known here. Add it under Stores, cleaning agents.');
  return known;
}

/**
 * The least roughness that something made of these can have: as rough as the gentlest agent of the data set that
 * holds the roughest of them.
 *
 * @example leastRoughness(['soap']) // 2
 */
export const leastRoughness = (families: readonly Family[]): Roughness =>
  Math.max(
    0,
    ...families.map((family) =>
      Math.min(
        ...Object.values<Agent>(AGENTS).flatMap((agent) => (agent.families.includes(family) ? [agent.roughness] : [])),
      ),
    ),
  ) as Roughness;
