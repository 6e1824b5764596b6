import type { FindingKind } from '../intake/findings';
import type { KnownAgentId } from './agents';

export interface Soil {
  title: string;
  /** How one knows it. */
  looks: string;
  /** Harms what it lies on, so that leaving it is no way out. */
  harms: boolean;
  /** What stands before every step on it. */
  caution: string | null;
  /** Findings of intake that may be this. */
  of: readonly FindingKind[];
  /** Chance that one pass takes it, before this workshop has tried: workshop wisdom. */
  chance: Partial<Record<KnownAgentId, number>>;
}

const SOILED = ['soiled'] as const;
const STAINED = ['stained', 'soiled'] as const;
const DUST_MASK = 'Old dust, soot and foam: wear a dust mask, and wet it before it is brushed.';

/** What lies on old computers, and what takes it. */
const SOILS = {
  dust: {
    title: 'Dust and lint',
    looks: 'Loose, grey, thickest under caps and in vents.',
    harms: false,
    caution: null,
    of: SOILED,
    chance: {
      air: 0.55,
      'vacuum-brush': 0.8,
      'soft-brush': 0.6,
      'dry-cloth': 0.5,
      'cleaning-gum': 0.55,
      'water-wipe': 0.85,
      'soap-wipe': 0.93,
      'soap-soak': 0.97,
    },
  },
  'hand-grease': {
    title: 'Hand grease',
    looks: 'Shiny or dark where palms and fingers were.',
    harms: false,
    caution: null,
    of: SOILED,
    chance: {
      'soap-wipe': 0.6,
      'soap-soak': 0.75,
      'glass-cleaner': 0.6,
      'isopropyl-half': 0.7,
      isopropyl: 0.85,
      'sugar-soap': 0.8,
      'kitchen-degreaser': 0.85,
      melamine: 0.8,
      'soda-paste': 0.8,
    },
  },
  'kitchen-film': {
    title: 'Kitchen film',
    looks: 'Sticky and yellow-brown, with dust in it.',
    harms: false,
    caution: null,
    of: SOILED,
    chance: {
      'soap-wipe': 0.25,
      'soap-soak': 0.45,
      'isopropyl-half': 0.35,
      isopropyl: 0.55,
      'sugar-soap': 0.7,
      'kitchen-degreaser': 0.85,
      'soda-paste': 0.6,
      'cream-cleanser': 0.8,
    },
  },
  nicotine: {
    title: 'Nicotine',
    looks: 'Brown veil that smells; runs down when wetted.',
    harms: false,
    caution: null,
    of: SOILED,
    chance: {
      'soap-wipe': 0.25,
      'soap-soak': 0.4,
      'glass-cleaner': 0.4,
      isopropyl: 0.5,
      'sugar-soap': 0.75,
      'kitchen-degreaser': 0.7,
      'oxygen-soak': 0.6,
    },
  },
  soot: {
    title: 'Soot',
    looks: 'Black and fine; smears when rubbed.',
    harms: false,
    caution: DUST_MASK,
    of: SOILED,
    chance: { 'vacuum-brush': 0.35, 'cleaning-gum': 0.3, 'soap-wipe': 0.35, 'soap-soak': 0.5, isopropyl: 0.4, 'sugar-soap': 0.6, melamine: 0.7 },
  },
  'rubber-scuff': {
    title: 'Rubber scuff',
    looks: 'Dark streak on the surface, not in it.',
    harms: false,
    caution: null,
    of: ['scuffed', 'soiled'],
    chance: { 'soap-wipe': 0.12, isopropyl: 0.55, eraser: 0.5, melamine: 0.85, 'soda-paste': 0.7 },
  },
  scratch: {
    title: 'Haze or fine scratches on clear plastic',
    looks: 'Dull against the light; a nail does not catch.',
    harms: false,
    caution: null,
    of: ['scuffed'],
    chance: { 'soap-wipe': 0.05, 'plastic-polish': 0.65 },
  },
  pencil: {
    title: 'Pencil',
    looks: 'Grey, shines at a slant.',
    harms: false,
    caution: null,
    of: ['ink', 'soiled'],
    chance: { 'soap-wipe': 0.3, 'isopropyl-half': 0.3, isopropyl: 0.4, eraser: 0.8, melamine: 0.8 },
  },
  ballpoint: {
    title: 'Ballpoint',
    looks: 'Thin line, pressed in.',
    harms: false,
    caution: null,
    of: ['ink'],
    chance: { 'glass-cleaner': 0.15, 'isopropyl-half': 0.3, isopropyl: 0.55, 'citrus-remover': 0.4, melamine: 0.4, 'wet-sanding': 0.7 },
  },
  marker: {
    title: 'Felt marker',
    looks: 'Broad line, soaked in at its edges.',
    harms: false,
    caution: null,
    of: ['ink'],
    chance: { 'glass-cleaner': 0.15, 'isopropyl-half': 0.35, isopropyl: 0.65, 'citrus-remover': 0.4, melamine: 0.35, 'wet-sanding': 0.6 },
  },
  'paint-fleck': {
    title: 'Paint fleck',
    looks: 'Stands up from the surface.',
    harms: false,
    caution: null,
    of: ['stained', 'soiled'],
    chance: { isopropyl: 0.25, 'plastic-card': 0.5, 'white-spirit': 0.4, melamine: 0.4, 'wet-sanding': 0.7 },
  },
  'label-glue': {
    title: 'Label glue',
    looks: 'Sticky or brown, in the shape of a label.',
    harms: false,
    caution: null,
    of: ['soiled', 'stained'],
    chance: {
      'soap-soak': 0.2,
      'soap-wipe': 0.1,
      isopropyl: 0.45,
      'penetrating-oil': 0.75,
      'citrus-remover': 0.8,
      'white-spirit': 0.7,
      'warm-air': 0.35,
      'plastic-card': 0.4,
    },
  },
  'decayed-foam': {
    title: 'Decayed foam',
    looks: 'Black crumbs or tar where padding was.',
    harms: true,
    caution: DUST_MASK,
    of: SOILED,
    chance: { 'vacuum-brush': 0.3, 'soap-wipe': 0.25, isopropyl: 0.7, 'citrus-remover': 0.5, 'plastic-card': 0.5 },
  },
  'decayed-rubber': {
    title: 'Rubber gone sticky',
    looks: 'Tacky black that pulls threads.',
    harms: true,
    caution: null,
    of: ['soiled', 'sticky'],
    chance: { 'soap-soak': 0.15, isopropyl: 0.75, 'citrus-remover': 0.6, 'white-spirit': 0.5, 'plastic-card': 0.3 },
  },
  'sweet-drink': {
    title: 'Sweet drink',
    looks: 'Clear and sticky, keys stick in it.',
    harms: true,
    caution: null,
    of: ['soiled', 'sticky'],
    chance: { 'water-wipe': 0.5, 'soap-wipe': 0.7, 'soap-soak': 0.85, 'enzyme-wipe': 0.8, isopropyl: 0.3 },
  },
  coffee: {
    title: 'Coffee or tea',
    looks: 'Brown ring, darker at its rim.',
    harms: false,
    caution: null,
    of: STAINED,
    chance: { 'water-wipe': 0.3, 'soap-wipe': 0.5, 'soap-soak': 0.65, 'enzyme-wipe': 0.6, isopropyl: 0.3, 'oxygen-soak': 0.75, melamine: 0.6 },
  },
  mould: {
    title: 'Mould',
    looks: 'Dots in rings, smells of cellar.',
    harms: true,
    caution: 'Mould: mask and gloves, outdoors or with an open window; wipe it wet, never brush it dry.',
    of: STAINED,
    chance: { 'soap-wipe': 0.35, 'soap-soak': 0.5, 'isopropyl-half': 0.6, isopropyl: 0.75, 'oxygen-soak': 0.6, 'chlorine-bleach': 0.8 },
  },
  insects: {
    title: 'What insects left',
    looks: 'Dots, webs and dry shells.',
    harms: false,
    caution: 'Dust mask and gloves.',
    of: SOILED,
    chance: { 'vacuum-brush': 0.5, 'soap-wipe': 0.6, 'soap-soak': 0.8, 'enzyme-wipe': 0.65, isopropyl: 0.5 },
  },
  'rust-stain': {
    title: 'Rust stain on plastic',
    looks: 'Orange-brown, in the shape of a screw or plate.',
    harms: false,
    caution: 'Acids: one at a time, never with chlorine bleach, never with peroxide.',
    of: ['rust', 'stained'],
    chance: {
      'soap-soak': 0.04,
      vinegar: 0.12,
      'citric-acid': 0.2,
      'soda-paste': 0.12,
      descaler: 0.3,
      'bathroom-acid': 0.3,
      'hydrochloric-acid': 0.8,
    },
  },
  'surface-rust': {
    title: 'Rust on metal',
    looks: 'Brown bloom that comes off on a finger.',
    harms: true,
    caution: 'Rust dust: mask and goggles.',
    of: ['rust'],
    chance: { 'penetrating-oil': 0.35, vinegar: 0.5, 'citric-acid': 0.5, 'brass-brush': 0.55, 'fine-steel-wool': 0.7, descaler: 0.6 },
  },
  'alkaline-leak': {
    title: 'Leak of an alkaline cell',
    looks: 'White or blue-green crust by the contacts.',
    harms: true,
    caution: 'Leaked batteries are caustic: gloves and goggles, and nothing under current.',
    of: ['leak'],
    chance: { 'soft-brush': 0.15, vinegar: 0.8, 'citric-acid': 0.75, isopropyl: 0.15, 'glass-fibre-pen': 0.6 },
  },
  'acid-leak': {
    title: 'Leak of an acid cell or capacitor',
    looks: 'Brown, wet or crystalline; smells of fish or vinegar.',
    harms: true,
    caution: 'It eats skin and metal: gloves and goggles, and nothing under current.',
    of: ['leak'],
    chance: { 'bicarbonate-wipe': 0.8, isopropyl: 0.15, 'glass-fibre-pen': 0.5 },
  },
  flux: {
    title: 'Solder flux',
    looks: 'Amber film around joints.',
    harms: false,
    caution: null,
    of: SOILED,
    chance: { 'soft-brush': 0.08, isopropyl: 0.85, 'contact-cleaner': 0.7 },
  },
  'old-grease': {
    title: 'Hardened grease',
    looks: 'Yellow wax on slides and hinges.',
    harms: false,
    caution: null,
    of: ['soiled', 'sticky'],
    chance: { 'dry-cloth': 0.3, 'isopropyl-half': 0.3, isopropyl: 0.6, 'kitchen-degreaser': 0.6, 'white-spirit': 0.8, 'penetrating-oil': 0.5 },
  },
  'cured-glue': {
    title: 'Cured glue of an old repair',
    looks: 'Clear or white, hard, stands up.',
    harms: false,
    caution: null,
    of: ['repaired by somebody', 'soiled'],
    chance: { 'warm-air': 0.2, 'plastic-card': 0.35, isopropyl: 0.15, acetone: 0.6, 'wet-sanding': 0.4, blade: 0.5 },
  },
  'mineral-scale': {
    title: 'Mineral scale',
    looks: 'White rim where water stood.',
    harms: false,
    caution: null,
    of: STAINED,
    chance: { 'soap-wipe': 0.1, vinegar: 0.7, 'citric-acid': 0.75, descaler: 0.9, 'bathroom-acid': 0.85 },
  },
} as const satisfies Record<string, Soil>;

export type SoilId = keyof typeof SOILS;
export const SOIL_IDS = Object.keys(SOILS) as SoilId[];
export const soilOf = (id: SoilId): Soil => SOILS[id];
