import type { SurfaceId } from './surfaces';

const MATERIAL: Record<string, SurfaceId[]> = {
  // What kind of metal nobody said: only what all of them bear.
  metal: ['bare-steel', 'zinc-plated-steel', 'aluminium'],
  rubber: ['rubber-foot'],
  glass: ['screen-glass'],
  paper: ['paper-label'],
  wood: ['wood'],
};
const PLASTIC: Record<string, SurfaceId[]> = {
  ABS: ['abs-textured'],
  'flame-retarded ABS': ['abs-flame-retarded'],
  polystyrene: ['polystyrene'],
  polycarbonate: ['polycarbonate'],
  PVC: ['pvc-cable'],
  acrylic: ['acrylic-window'],
  // Not known: only what the weaker plastics bear too.
  'not known': ['polystyrene', 'abs-flame-retarded'],
};
const FINISH: Record<string, SurfaceId[]> = {
  glossy: ['abs-glossy'],
  painted: ['painted-plastic'],
  plated: ['plated-plastic'],
};

interface Surfaced {
  plastic: string;
  finish: string;
  surfaces: readonly SurfaceId[];
  /** How many parts it is. */
  parts?: number;
}

/** So many plastic parts under one tag are caps. */
const CAPS = 6;

/** Caps of which nobody said how their legends are made: moulded through, dyed, or only printed on. */
export const legendsUnknown = ({ plastic, surfaces, parts = 1 }: Surfaced): boolean =>
  parts >= CAPS && plastic in PLASTIC && !surfaces.some((id) => id.startsWith('legend-'));

/**
 * Surfaces of a piece: those that were named, else what its plastic and finish say; caps of unknown legends bear only
 * what print bears. A step must be borne by all of them.
 */
export function surfacesOfPiece(piece: Surfaced): SurfaceId[] {
  if (piece.surfaces.length > 0) return [...piece.surfaces];
  const other = MATERIAL[piece.plastic];
  if (other) return piece.plastic === 'metal' && piece.finish === 'painted' ? ['painted-steel'] : [...other];
  const plastic = PLASTIC[piece.plastic] ?? PLASTIC['not known']!;
  const finish = FINISH[piece.finish] ?? [];
  const legends: SurfaceId[] = legendsUnknown(piece) ? ['legend-printed'] : [];
  const shell = piece.plastic === 'ABS' && piece.finish === 'glossy' ? finish : [...plastic, ...finish];
  return [...new Set([...shell, ...legends])];
}
