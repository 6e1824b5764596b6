import type { Family } from '../materials/families';
import type { Caution } from '../peroxide/cautions';
import { Refusal } from '../refusal';

/** Coats in the order in which they may lie on one another. */
export const COAT_KINDS = [
  'zinc-rich primer',
  'primer',
  'filler',
  'top coat',
  'clear coat',
  'wax',
  'protectant',
] as const;
export type CoatKind = (typeof COAT_KINDS)[number];

/** What a coat brings to the bench: its solvent, as the core of materials feels it. */
export const COAT_BRINGS: Record<CoatKind, readonly Family[]> = {
  'zinc-rich primer': ['spirit'],
  primer: ['spirit'],
  filler: ['spirit'],
  'top coat': ['spirit'],
  'clear coat': ['spirit'],
  wax: ['oil'],
  protectant: ['damp', 'oil'],
};

/** What one coat of it mostly covers, m² per litre, where nobody has the sheet. */
export const USUAL_COVERAGE = 8;

const rank = (kind: CoatKind) => COAT_KINDS.indexOf(kind);

/** Nothing but more of its kind holds on it. */
export const isLast = (kind: CoatKind): boolean => kind === 'wax' || kind === 'protectant';

/**
 * @param under what lies there already, the last on top
 * @throws Refusal where nothing would hold: paint over wax, or primer over paint
 */
export function needsOrder(under: readonly CoatKind[], next: CoatKind): void {
  const last = under.find(isLast);
  if (last && !isLast(next))
    throw new Refusal(
      'kind',
      `Paint over ${last} does not hold. Take the ${last} off whole with white spirit, let it dry, and note it as taken off first.`,
    );
  const top = under.at(-1);
  if (top && rank(next) < rank(top))
    throw new Refusal('kind', `A ${next} does not go over a ${top}. The order is ${COAT_KINDS.join(', ')}.`);
}

export const SPRAY_CAUTION: Caution = {
  id: 'spray',
  severity: 'strong',
  hazard: 'Spray paint burns, and its mist harms lungs.',
  protection: 'outdoors or with air drawn off, a mask for paint mist, gloves, goggles',
  never: 'Never in a closed room, never near a flame, a heater or anything that sparks.',
};
export const BRUSH_CAUTION: Caution = {
  id: 'paint',
  severity: 'caution',
  hazard: 'Solvent in paint burns and makes dizzy.',
  protection: 'air, gloves, cloths laid out flat to dry',
  never: 'Never near a flame, never oily cloths in a heap.',
};
