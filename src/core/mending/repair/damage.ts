import type { FindingKind, FindingPart } from '../../intake/findings';

/** What is wrong with a piece, as a repair asks. */
export const BREAKS = [
  'crack',
  'broken off',
  'chipped',
  'missing',
  'stripped hole',
  'loose',
  'warped',
  'window clouded',
  'window to come out',
  'film burnt',
  'foot worn or gone',
  'old glue',
] as const;
export type Break = (typeof BREAKS)[number];

/** What the place does once it is whole again. */
export const LOADS = ['nothing', 'held by hand', 'snaps', 'carries the lid', 'hinge', 'screw'] as const;
export type Load = (typeof LOADS)[number];

/** How the load pulls: along the joint, or prying it open from one side. */
export const PULLS = ['along', 'pried'] as const;
export type Pull = (typeof PULLS)[number];

/** What holds a window in its place, as its edge shows it. */
export const WINDOW_GLUES = ['tape', 'soft glue', 'hard glue', 'not known'] as const;
export type WindowGlue = (typeof WINDOW_GLUES)[number];

export const REACHES = ['front', 'behind', 'both'] as const;
type Reach = (typeof REACHES)[number];

/** A break, measured: all that decides which repair can hold. Lengths in mm. */
export interface Damage {
  kind: Break;
  plastic: string;
  load: Load;
  /** What pulls, N; without it what is usual for such a load. */
  loadN: number | null;
  pull: Pull;
  /** How far from the break it pulls. */
  armMm: number;
  reach: Reach;
  seen: boolean;
  /** The break: how long, and how thick the wall is. */
  lengthMm: number;
  wallMm: number;
  /** Room behind for a plate or putty, on each side of the break. */
  behindMm: number;
  /** A round stub that broke off: how thick, and how deep it can be drilled. */
  stubMm: number | null;
  deepMm: number | null;
  /** A screw boss: over all, its hole, and how long the thread is in it. */
  bossMm: number | null;
  holeMm: number | null;
  engagedMm: number | null;
  /** The screw: over its thread. */
  screwMm: number | null;
  /** It was too thin from the start, or its kind wears out: made as it was it breaks as it did. */
  wearsOut?: boolean;
  /** Of a window that is to come out. */
  windowGlue?: WindowGlue;
}

/** What a finding of the survey mostly is to a repair. */
export function breakOf(kind: FindingKind, part: FindingPart): Break {
  if (part === 'foot or pad') return 'foot worn or gone';
  if (part === 'display' && kind === 'melted') return 'film burnt';
  switch (kind) {
    case 'broken, the piece is here':
      return 'broken off';
    case 'chip':
      return 'chipped';
    case 'missing':
    case 'wrong or foreign part':
      return 'missing';
    case 'loose':
      return 'loose';
    case 'bent or warped':
    case 'melted':
      return 'warped';
    case 'repaired by somebody':
      return 'old glue';
    case 'scuffed':
      return 'window clouded';
    default:
      return 'crack';
  }
}

/** How such a load mostly pulls. */
export const usualPull = (load: Load): Pull => (load === 'snaps' || load === 'hinge' ? 'pried' : 'along');

/** Sizes that a break is measured by. */
export type Size =
  'lengthMm' | 'wallMm' | 'behindMm' | 'armMm' | 'stubMm' | 'deepMm' | 'bossMm' | 'holeMm' | 'engagedMm' | 'screwMm';

/** Breaks whose sizes decide what holds them. */
const MEASURED: readonly Break[] = ['crack', 'broken off', 'chipped', 'stripped hole', 'loose'];

/** Whether it is asked if its kind wears out: of what is held or snaps, and can be made anew. */
export const mayWearOut = (kind: Break, load: Load): boolean =>
  ['crack', 'broken off', 'missing'].includes(kind) && ['snaps', 'held by hand', 'hinge'].includes(load);

/** What has to be measured for a break that does so much: nothing is asked that decides nothing. */
export function sizesFor(kind: Break, load: Load): Size[] {
  if (!MEASURED.includes(kind)) return [];
  if (load === 'screw') return ['bossMm', 'holeMm', 'screwMm', 'engagedMm'];
  const wall = ['lengthMm', 'wallMm', 'behindMm', 'armMm'] as const;
  return load === 'hinge' && kind === 'broken off' ? [...wall, 'stubMm', 'deepMm'] : [...wall];
}

/** What stands for a size that was not asked, or not measured yet. */
export const USUAL_SIZES: Record<Size, number | null> = {
  ...{ lengthMm: 20, wallMm: 2.5, behindMm: 8, armMm: 10 },
  ...{ stubMm: null, deepMm: null, bossMm: null, holeMm: null, engagedMm: null, screwMm: null },
};
