import { assumed } from '../assumptions/assumptions';
import type { AgentId } from '../materials/agents';
import type { SurfaceId } from '../materials/surfaces';
import { NO_SUBJECTS, verdictOnAll, type OwnSubjects } from '../materials/verdicts';
import { acidBath, RUST_UM, type AcidHours, type BathAcid } from './acidBath';
import { gritLadder } from './gritLadder';

/** What of the machine rusts, as it is told by eye and magnet. */
export const METALS = ['steel', 'plated steel', 'tin plate', 'spring steel', 'aluminium'] as const;
type Metal = (typeof METALS)[number];

export const RUST_KINDS = ['bloom', 'scale', 'pits', 'through'] as const;
type RustKind = (typeof RUST_KINDS)[number];

/** Whether what it reads from land to land lets a part shield. */
export const conducts = (ohm: number): boolean => ohm <= assumed('a shield conducts');

/** What came of a rung. */
export const RUST_OUTCOMES = ['gone', 'some left', 'no change'] as const;
export type RustOutcome = (typeof RUST_OUTCOMES)[number];

/** What the part must do when it is back. */
export const METAL_TASKS = ['nothing', 'carry', 'spring', 'shield and conduct', 'be seen'] as const;
export type MetalTask = (typeof METAL_TASKS)[number];

/** What stays on or beside it while it is worked on. */
export const TOUCHES = ['nothing', 'sound paint', 'old paint, not known', 'plastic', 'paper label'] as const;
type Touches = (typeof TOUCHES)[number];

export interface RustPatch {
  metal: Metal;
  kind: RustKind;
  task: MetalTask;
  touches: Touches;
  areaCm2: number;
  /** The sheet or wire, mm. */
  thickMm: number;
  /** The deepest pit, mm; 0 where there is none. */
  pitMm: number;
  /** It can lie in a bath by itself. */
  comesOff: boolean;
}

/** Surfaces that a step on a metal touches, as the one core of materials knows them. */
const METAL_SURFACE: Record<Metal, SurfaceId> = {
  steel: 'bare-steel',
  'plated steel': 'zinc-plated-steel',
  'tin plate': 'zinc-plated-steel',
  'spring steel': 'bare-steel',
  aluminium: 'aluminium',
};
const TOUCHED: Record<Touches, readonly SurfaceId[]> = {
  nothing: [],
  'sound paint': ['painted-steel'],
  'old paint, not known': ['painted-steel'],
  plastic: ['abs-textured'],
  'paper label': ['paper-label'],
};

/** Ways against rust, the gentlest first. */
export const RUST_WAYS = ['oil', 'brush', 'acid bath', 'converter', 'sanding', 'strong acid', 'replace'] as const;
export type RustWay = (typeof RUST_WAYS)[number];

const AGENT: Partial<Record<RustWay, AgentId>> = {
  oil: 'penetrating-oil',
  brush: 'brass-brush',
  'acid bath': 'citric-acid',
  'strong acid': 'hydrochloric-acid',
};

/** Chance that a way leaves no rust that goes on, by what kind it is: workshop wisdom. */
const CHANCE: Record<RustWay, Record<RustKind, number>> = {
  oil: { bloom: 0.45, scale: 0.05, pits: 0.02, through: 0 },
  brush: { bloom: 0.7, scale: 0.3, pits: 0.1, through: 0 },
  'acid bath': { bloom: 0.92, scale: 0.8, pits: 0.65, through: 0 },
  converter: { bloom: 0.9, scale: 0.75, pits: 0.7, through: 0 },
  sanding: { bloom: 0.97, scale: 0.93, pits: 0.85, through: 0 },
  'strong acid': { bloom: 0.97, scale: 0.95, pits: 0.9, through: 0 },
  replace: { bloom: 1, scale: 1, pits: 1, through: 1 },
};

/** Why a way is not taken: as kinds with what they are about, worded where they are shown. */
export type RustRuling =
  | { kind: 'surface'; surface: SurfaceId; reason: string }
  /** Plating is thinner than what the way takes: it goes with the rust. */
  | { kind: 'plating'; takesUm: number; platingUm: number }
  | { kind: 'too thin'; thickMm: number; leastMm: number }
  | { kind: 'springs crack' }
  /** It takes more metal than the part may lose for what it must do. */
  | { kind: 'takes too much'; takesMm: number; mayMm: number }
  | { kind: 'does not conduct' }
  | { kind: 'not on aluminium' }
  | { kind: 'does not come off' }
  | { kind: 'no way back' };

export interface RustRung {
  way: RustWay;
  /** Chance that no rust that goes on is left after it. */
  chance: number;
  handsMin: number;
  waitH: number;
  /** Metal that it takes, µm. */
  takesUm: number;
  /** Takes the plating with the rust: said before. */
  takesPlating: boolean;
  /** Of a bath. */
  acid: (AcidHours & { acid: BathAcid }) | null;
  /** Papers of the sanding, coarse to fine, each with its minutes. */
  grits: { grit: number; minutes: number }[];
  caution: RustCaution[];
}

export type RustCaution = 'rust dust' | 'lead dust' | 'weak acid' | 'strong acid' | 'solvent' | 'sharp edges';

/** What follows the last rung, in an order that is fixed. */
export type AfterRust =
  | 'rinse and dry at once'
  | 'oil or wax'
  | 'continuity'
  | 'mask lands'
  | 'zinc-rich primer, both faces'
  | 'primer-filler twice'
  | 'top coats'
  | 'stain on the plastic with it';

export interface RustLadder {
  rungs: RustRung[];
  ruledOut: { way: RustWay; why: RustRuling }[];
  /** Metal that the part may lose, µm. */
  mayLoseUm: number;
  /** How thick the rust is taken for, µm. */
  rustUm: number;
  /** Black specks in the pits stay: to sand them out takes too much. */
  pitsStay: boolean;
  after: AfterRust[];
}

/** The coat of metal on plated parts, µm. */
const PLATING_UM: Partial<Record<Metal, number>> = { 'plated steel': 8, 'tin plate': 2 };

/** Paper to begin with by how deep the deepest pit is, mm. */
const firstGrit = (pitMm: number): number => (pitMm >= 0.2 ? 80 : pitMm >= 0.1 ? 120 : pitMm >= 0.05 ? 180 : 240);
/** Paper to end with: paint wants a key, what is seen bare wants none. */
const LAST_GRIT: Record<MetalTask, number> = {
  nothing: 240,
  carry: 240,
  spring: 400,
  'shield and conduct': 240,
  'be seen': 440,
};

/** Share of its thickness that a part may lose for what it must do. */
const MAY_LOSE = {
  nothing: 'metal a part may lose',
  carry: 'metal a bearing part may lose',
  spring: 'metal a spring may lose',
  'shield and conduct': 'metal a part may lose',
  'be seen': 'metal a part may lose',
} as const satisfies Record<MetalTask, Parameters<typeof assumed>[0]>;

const rustUm = ({ kind, pitMm }: Pick<RustPatch, 'kind' | 'pitMm'>): number =>
  kind === 'through' ? RUST_UM.pits : Math.max(RUST_UM[kind], kind === 'pits' ? 1000 * pitMm : 0);

/** Minutes of each paper: the first takes what is to go, the others the scratches of the one before. */
export function sandingOf(patch: Pick<RustPatch, 'pitMm' | 'areaCm2' | 'task'>): { grit: number; minutes: number }[] {
  const from = firstGrit(patch.pitMm);
  const { grits } = gritLadder({ from, to: Math.max(from, LAST_GRIT[patch.task]) });
  const each = (patch.areaCm2 / 100) * assumed('sanding a hand’s breadth');
  return grits.map((grit, i) => ({
    grit,
    // Coarse papers dig: a tenth of a millimetre more takes as long again.
    minutes: Math.max(1, each * (i === 0 ? 1 + patch.pitMm / 0.1 : 1)),
  }));
}

/**
 * The ladder of a rusted place, gentlest first, by the same verdicts as the wash: what a rung is made of must be borne by
 * the metal and by all that stays on it. It stops where going on takes more metal than the part may lose.
 */
export function rustLadder(patch: RustPatch, bathC: number, own: OwnSubjects = NO_SUBJECTS): RustLadder {
  const { metal, kind, task, touches, thickMm, pitMm, areaCm2 } = patch;
  const mayLoseUm = 1000 * thickMm * assumed(MAY_LOSE[task]);
  const platingUm = PLATING_UM[metal] ?? 0;
  const surfaces = [METAL_SURFACE[metal], ...TOUCHED[touches]];
  const rust = rustUm(patch);
  const bath = acidBath({ acid: 'citric acid', percent: 5, temperatureC: bathC, rustUm: rust });
  const sanding = sandingOf(patch);
  /** To the ground of the pits, where the part may lose that; else what stands above the metal. */
  const toGround = 1000 * pitMm;
  const pitsStay = toGround > mayLoseUm;
  const takes: Record<RustWay, number> = {
    oil: 0,
    brush: 1,
    'acid bath': bath.metalUm,
    converter: 0,
    sanding: pitsStay ? Math.min(mayLoseUm, rust / 2) : Math.max(toGround, rust / 2),
    'strong acid': 4 * bath.metalUm,
    replace: 0,
  };
  const hands: Record<RustWay, number> = {
    oil: 5 + areaCm2 / 40,
    brush: 5 + areaCm2 / 15,
    'acid bath': 15 + areaCm2 / 40,
    converter: 15 + areaCm2 / 25,
    sanding: 10 + sanding.reduce((sum, { minutes }) => sum + minutes, 0),
    'strong acid': 30,
    replace: 30,
  };
  const waits: Record<RustWay, number> = {
    oil: 1,
    brush: 0,
    'acid bath': bath.hours,
    converter: 2 * assumed('a coat of converter'),
    sanding: 0,
    'strong acid': 0.1,
    replace: 0,
  };
  const rungs: RustRung[] = [];
  const ruledOut: RustLadder['ruledOut'] = [];
  for (const way of RUST_WAYS) {
    const chance = CHANCE[way][kind];
    if (chance === 0) continue;
    const why = ruling(way, patch, surfaces, { takesUm: takes[way], mayLoseUm, platingUm }, own);
    if (why) ruledOut.push({ way, why });
    else
      rungs.push({
        ...{ way, chance, handsMin: hands[way], waitH: waits[way], takesUm: takes[way] },
        takesPlating: platingUm > 0 && takes[way] > 0,
        acid: way === 'acid bath' ? { ...bath, acid: 'citric acid' } : null,
        grits: way === 'sanding' ? sanding : [],
        caution: cautionsOf(way, touches),
      });
  }
  return { ...{ rungs, ruledOut, mayLoseUm, rustUm: rust, pitsStay }, after: afterOf(patch) };
}

function ruling(
  way: RustWay,
  { metal, kind, task, thickMm, comesOff, touches }: RustPatch,
  surfaces: readonly SurfaceId[],
  { takesUm, mayLoseUm, platingUm }: { takesUm: number; mayLoseUm: number; platingUm: number },
  own: OwnSubjects,
): RustRuling | null {
  if (way === 'replace') return null;
  if (metal === 'aluminium' && (way === 'acid bath' || way === 'converter' || way === 'strong acid'))
    return { kind: 'not on aluminium' };
  if (way === 'strong acid') {
    if (metal === 'spring steel') return { kind: 'springs crack' };
    if (platingUm > 0) return { kind: 'plating', takesUm, platingUm };
    const least = assumed('thinnest sheet for strong acid');
    if (thickMm < least) return { kind: 'too thin', thickMm, leastMm: least };
    // What weak acid and sanding do as well is no reason for it.
    if (kind === 'bloom') return { kind: 'no way back' };
  }
  if ((way === 'acid bath' || way === 'strong acid') && !comesOff) return { kind: 'does not come off' };
  if (way === 'converter' && task === 'shield and conduct') return { kind: 'does not conduct' };
  // On sound paint sanding only keys; on what nobody knows it goes on with its caution.
  const agent = AGENT[way];
  if (agent) {
    // Sound paint is brushed round; what strong acid does to the metal is ruled above, closer than for any wash.
    const touched =
      way === 'brush' && touches === 'sound paint'
        ? surfaces.slice(0, 1)
        : way === 'strong acid'
          ? surfaces.slice(1)
          : surfaces;
    if (touched.length === 0) return takesMore(takesUm, mayLoseUm);
    const { verdict, reason, surface } = verdictOnAll(agent, touched, own);
    if (verdict === 'never') return { kind: 'surface', surface, reason };
  }
  return takesMore(takesUm, mayLoseUm);
}

const takesMore = (takesUm: number, mayLoseUm: number): RustRuling | null =>
  takesUm > mayLoseUm ? { kind: 'takes too much', takesMm: takesUm / 1000, mayMm: mayLoseUm / 1000 } : null;

function cautionsOf(way: RustWay, touches: Touches): RustCaution[] {
  switch (way) {
    case 'oil':
      return ['solvent'];
    case 'brush':
      return touches === 'old paint, not known' ? ['lead dust', 'rust dust'] : ['rust dust'];
    case 'acid bath':
      return ['weak acid'];
    case 'converter':
      return ['weak acid', 'solvent'];
    case 'sanding':
      return touches === 'old paint, not known' ? ['lead dust', 'rust dust'] : ['rust dust'];
    case 'strong acid':
      return ['strong acid'];
    case 'replace':
      return ['sharp edges'];
  }
}

function afterOf({ task, touches, kind }: RustPatch): AfterRust[] {
  const after: AfterRust[] = ['rinse and dry at once'];
  if (touches === 'plastic') after.push('stain on the plastic with it');
  if (task === 'shield and conduct' || task === 'spring') after.push('continuity');
  if (task === 'shield and conduct') after.push('mask lands', 'zinc-rich primer, both faces');
  else if (task === 'be seen' && kind !== 'bloom') after.push('primer-filler twice', 'top coats');
  else after.push('oil or wax');
  return after;
}
