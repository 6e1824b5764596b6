import { isPlastic } from '../runsheet/stages';
import type { SurfaceId } from '../materials/surfaces';
import { NO_SUBJECTS, verdictOnAll, type CleaningVerdict, type OwnSubjects } from '../materials/verdicts';

/** What thins a paint, as the core of materials knows it. */
const SOLVENTS = ['isopropyl', 'white-spirit', 'acetone'] as const;
type PaintSolvent = (typeof SOLVENTS)[number];

/** What lies between plastic and paint. */
type PlasticPrimer = 'none needed' | 'adhesion primer' | 'water-borne primer' | 'does not hold';

export interface OverPlastic {
  /** Each solvent with what this surface says to it, and why. */
  solvents: { solvent: PaintSolvent; verdict: CleaningVerdict; reason: string }[];
  primer: PlasticPrimer;
}

const PRIMER: Record<string, PlasticPrimer> = {
  ABS: 'adhesion primer',
  'flame-retarded ABS': 'adhesion primer',
  polystyrene: 'water-borne primer',
  polycarbonate: 'water-borne primer',
  acrylic: 'water-borne primer',
  PVC: 'does not hold',
  rubber: 'does not hold',
};

/**
 * What paint a piece bears: its solvents by the core of surfaces, and the primer by its plastic; `null` for what is no
 * plastic. Whatever it says, a test spot on a hidden place comes first.
 */
export function overPlastic(
  piece: { plastic: string },
  surfaces: readonly SurfaceId[],
  own: OwnSubjects = NO_SUBJECTS,
): OverPlastic | null {
  if (piece.plastic !== 'rubber' && !isPlastic(piece.plastic)) return null;
  return {
    solvents: SOLVENTS.map((solvent) => {
      const { verdict, reason } = verdictOnAll(solvent, surfaces, own);
      return { solvent, verdict, reason };
    }),
    // Of an unknown plastic only what the weakest bears.
    primer: PRIMER[piece.plastic] ?? 'water-borne primer',
  };
}
