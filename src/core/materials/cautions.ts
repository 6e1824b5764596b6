import type { Caution } from '../peroxide/cautions';
import type { Agent } from './agents';
import type { Family } from './families';
import { soilOf, type SoilId } from '../cleaning/soils';
import type { SurfaceId } from './surfaces';

interface Kind {
  families: readonly Family[];
  severity: Caution['severity'];
  hazard: string;
  never: string;
}

/** What each kind of agent can do to a person, the worst first. */
const KINDS: readonly Kind[] = [
  {
    families: ['strongAcid'],
    severity: 'strong',
    hazard: 'Hydrochloric acid burns skin and eyes at once, and its fumes burn the lungs.',
    never: 'Outdoors only, water at hand. Never with bleach, never with peroxide, never left alone.',
  },
  {
    families: ['weakAcid', 'midAcid'],
    severity: 'caution',
    hazard: 'Acid stings skin and eyes.',
    never: 'Never with chlorine bleach: poison gas. Never with peroxide. One acid at a time.',
  },
  {
    families: ['chlorine'],
    severity: 'strong',
    hazard: 'Chlorine bleach burns eyes and lungs.',
    never: 'Never with anything but water: with acid, ammonia or alcohol it makes poison gas.',
  },
  {
    families: ['peroxide'],
    severity: 'caution',
    hazard: 'Oxygen bleach stings eyes and skin, and gives off oxygen.',
    never: 'Never in a sealed vessel, never with acid or bleach.',
  },
  {
    families: ['alkali'],
    severity: 'caution',
    hazard: 'Alkaline cleaner burns eyes and dries skin.',
    never: 'Never with chlorine bleach; rinsed off before any acid.',
  },
  {
    families: ['alcohol', 'alcoholMild', 'volatile', 'citrus', 'spirit', 'ketone', 'oil'],
    severity: 'caution',
    hazard: 'Solvent: fire and fumes.',
    never: 'No flame, no heater, nothing under current, never with chlorine bleach.',
  },
  {
    families: ['warmth'],
    severity: 'caution',
    hazard: 'Warm air and hot water burn.',
    never: 'Never on a window that is glued in, never near a can of solvent.',
  },
  {
    families: ['fibre', 'wire', 'sanding', 'blade'],
    severity: 'caution',
    hazard: 'Splinters and dust go into eyes and lungs; old paint may hold lead.',
    never: 'Never without goggles, never dry on old paint.',
  },
];

/**
 * Cautions that stand before a pass: what the soil is, what the agent does, static where a board is touched, and each mark
 * that is to be kept.
 *
 * @param marks what is to be kept on these pieces, in words
 */
export function cautionsFor(
  { title, families, protection }: Agent,
  soils: readonly SoilId[],
  surfaces: readonly SurfaceId[],
  marks: readonly string[],
): Caution[] {
  const has = (kind: readonly Family[]) => (families as readonly Family[]).some((family) => kind.includes(family));
  const ofAgent = KINDS.filter((kind) => has(kind.families)).map(({ severity, hazard, never }, i): Caution => ({
    id: `${title}-${i}`,
    severity,
    hazard,
    protection,
    never,
  }));
  const ofSoil = [...new Set(soils)].flatMap((soil): Caution[] => {
    const { caution, gear = 'gloves' } = soilOf(soil);
    return caution
      ? [
          {
            id: `soil-${soil}`,
            severity: 'caution',
            hazard: caution,
            protection: gear,
            never: 'Wash hands afterwards, and keep it off food and tables.',
          },
        ]
      : [];
  });
  const board: Caution[] = surfaces.includes('circuit-board')
    ? [
        {
          id: 'static',
          severity: 'caution',
          hazard: 'Static kills chips without a sound, most of all in dry winter air.',
          protection: 'wrist strap on before any board is touched',
          never: 'Nothing under current; mains parts and picture tubes are for a qualified technician.',
        },
      ]
    : [];
  const ofMarks = marks.map((mark, i): Caution => ({
    id: `mark-${i}`,
    severity: 'caution',
    hazard: `Keep this mark: ${mark}.`,
    protection: 'tape or film over it, pressed down at its edge.',
    never: 'Never soak, wipe or brush over it while it is bare.',
  }));
  return [...ofSoil, ...ofAgent, ...board, ...ofMarks];
}
