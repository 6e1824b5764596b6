import { Refusal } from '../refusal';
import type { PieceSize } from '../size';

/** Inside of a bath. */
export type Container = ({ shape: 'box' } & PieceSize) | { shape: 'cylinder'; diameterMm: number; heightMm: number };

export interface BathPiece {
  massG: number;
  densityGPerCm3: number;
  /** How high it stands as it lies in the bath; unknown: as its own plastic, spread over the floor. */
  heightMm?: number | null;
}

export interface BathVolume {
  solutionL: number;
  fillHeightMm: number;
  overflows: boolean;
  /** What the pieces push aside. */
  displacedL: number;
  /** What has to lie on the pieces that float, so that they stay under. */
  weightToHoldDownG: number;
  /** Solution that would still go in up to the rim. */
  freeL: number;
}

/** Solution over the highest piece, mm, where nobody asks for another depth. */
export const COVER_MM = 20;

const DENSITY: Record<string, number> = { 'flame-retarded ABS': 1.18, polycarbonate: 1.2, PVC: 1.38, acrylic: 1.19 };
/** Density of a plastic, g/cm³, at the middle of what handbooks give; ABS and polystyrene for what is not known. */
export const plasticDensity = (plastic: string): number => DENSITY[plastic] ?? 1.05;

const floorMm2 = (container: Container): number =>
  container.shape === 'box' ? container.lengthMm * container.widthMm : (Math.PI * container.diameterMm ** 2) / 4;

/**
 * Solution that covers pieces in a bath: the height of the highest piece and the cover over it, less what the pieces
 * push aside (mass / density, Archimedes). What is lighter than the solution has to be weighed down.
 *
 * @param coverMm solution over the highest piece, mm
 * @param solutionDensity kg/L
 * @throws Refusal where the pieces alone are more than the bath holds
 */
export function bathVolume(
  container: Container,
  pieces: readonly BathPiece[],
  coverMm: number,
  solutionDensity = 1,
): BathVolume {
  const floor = floorMm2(container);
  const volumesMm3 = pieces.map(({ massG, densityGPerCm3 }) => (massG / densityGPerCm3) * 1000);
  const displaced = volumesMm3.reduce((sum, volume) => sum + volume, 0);
  const highest = Math.max(0, displaced / floor, ...pieces.map(({ heightMm }) => heightMm ?? 0));
  const fillHeightMm = highest + coverMm;
  const room = floor * container.heightMm - displaced;
  if (room <= 0)
    throw new Refusal(
      'pieces',
      'The pieces alone are more than this bath holds. Take a larger one, or bathe them in turns.',
    );
  const solution = floor * fillHeightMm - displaced;
  const buoyant = pieces.map(
    ({ densityGPerCm3 }, i) => Math.max(0, solutionDensity - densityGPerCm3) * (volumesMm3[i]! / 1000),
  );
  return {
    solutionL: solution / 1e6,
    fillHeightMm,
    overflows: fillHeightMm > container.heightMm,
    displacedL: displaced / 1e6,
    weightToHoldDownG: buoyant.reduce((sum, grams) => sum + grams, 0),
    freeL: Math.max(0, room - solution) / 1e6,
  };
}
