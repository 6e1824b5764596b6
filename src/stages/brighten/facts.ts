import { sparedFromPeroxide, type OwnSurface, type SurfaceId } from '@/core/materials/surfaces';
import { ownSurfaces } from '@/data/cleaning';
import { legendsUnknown, surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import type { PieceFacts } from '@/core/session/gates';
import { marksToKeep } from '@/core/intake/marks';
import { findingsOf } from '@/data/findings';
import type { Finding, Piece } from '@/data/rows';

/** Surfaces that have a gate of their own already. */
const GATED: readonly SurfaceId[] = ['painted-plastic', 'acrylic-window', 'polycarbonate', 'paper-label'];

/** What the ways and the gates have to know of a piece, but for its size. */
export function factsOf(piece: Piece, findings: readonly Finding[], own: readonly OwnSurface[]): PieceFacts {
  const surfaces = surfacesOfPiece(piece);
  return {
    labels: piece.labels,
    metalInside: piece.metalInside,
    marks: marksToKeep(findings, piece.id),
    legendsUnknown: legendsUnknown(piece),
    printed: surfaces.includes('legend-printed') || surfaces.includes('legend-dyed'),
    painted: surfaces.includes('painted-plastic'),
    clear: surfaces.includes('acrylic-window') || surfaces.includes('polycarbonate'),
    spared: sparedFromPeroxide(surfaces, own).filter(({ id }) => !GATED.includes(id)),
    brittle:
      piece.plastic === 'flame-retarded ABS' ||
      findings.some(({ pieceId, kind, settledAs }) => pieceId === piece.id && kind === 'crack' && settledAs === null),
  };
}

/** Surfaces of the workshop's own, asked for only where a piece has one. */
export const ownSurfacesOn = async ({ surfaces }: Piece): Promise<readonly OwnSurface[]> =>
  surfaces.some((id) => id.startsWith('own-')) ? ownSurfaces() : [];

export const readFacts = async (piece: Piece): Promise<PieceFacts> =>
  factsOf(piece, await findingsOf(piece.restorationId), await ownSurfacesOn(piece));
