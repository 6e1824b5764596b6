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

/** Surfaces of a piece: those that were named, else what its plastic and finish say. A step must be borne by all of them. */
export function surfacesOfPiece(piece: {
  plastic: string;
  finish: string;
  surfaces: readonly SurfaceId[];
}): SurfaceId[] {
  if (piece.surfaces.length > 0) return [...piece.surfaces];
  const other = MATERIAL[piece.plastic];
  if (other) return piece.plastic === 'metal' && piece.finish === 'painted' ? ['painted-steel'] : [...other];
  const plastic = PLASTIC[piece.plastic] ?? PLASTIC['not known']!;
  const finish = FINISH[piece.finish] ?? [];
  return piece.plastic === 'ABS' && piece.finish === 'glossy' ? finish : [...new Set([...plastic, ...finish])];
}
