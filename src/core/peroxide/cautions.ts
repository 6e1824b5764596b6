/** One caution: it stands before the step, is confirmed once a session and becomes part of the record. */
export interface Caution {
  id: string;
  severity: 'caution' | 'strong';
  hazard: string;
  protection: string;
  never: string;
}

/** Every caution ends with this. */
export const CAUTION_CLOSE = 'Follow the product’s sheet and your local rules.';

const CAUTIONS = {
  'peroxide-mild': {
    severity: 'caution',
    hazard: 'Peroxide gives off oxygen as it works and irritates eyes and skin.',
    protection: 'Goggles and gloves. Water at hand to rinse at once.',
    never: 'Never seal a bottle, bag or box of it. Never with acids, chlorine bleach or metal.',
  },
  'peroxide-stings': {
    severity: 'caution',
    hazard: 'Peroxide over 6 % stings and whitens skin.',
    protection: 'Nitrile gloves, goggles, long sleeves. Rinse any splash at once with much water.',
    never: 'Never seal a bottle, bag or box of it. Never with acids, chlorine bleach or metal.',
  },
  'peroxide-eyes': {
    severity: 'strong',
    hazard: 'Peroxide from 8 % on can blind; it whitens skin.',
    protection:
      'Tight goggles, nitrile gloves, long sleeves. Rinse an eye for a quarter of an hour, then see a doctor.',
    never: 'Never seal a bottle, bag or box of it. Never with acids, chlorine bleach or metal.',
  },
  'peroxide-burns': {
    severity: 'strong',
    hazard:
      'Peroxide over 12 % burns skin and eyes and can set rags and wood alight. In some places it is for licensed users only.',
    protection:
      'Face shield or tight goggles, long gloves, apron. Running water within reach. Somebody else knows what you do.',
    never: 'Never seal it. Never with acids, chlorine bleach, solvents, alcohol or metal. Never warm it.',
  },
  'sun-heat': {
    severity: 'caution',
    hazard:
      'A closed box or a film in full sun can pass 60 °C (140 °F): long thin parts bend, and warm peroxide works and gasses faster.',
    protection:
      'Check the warmth by hand at each turn. Shade or vent it when it is too hot to hold, at the latest at 50 °C (122 °F).',
    never: 'Never leave a closed box in full sun unwatched. Keep children and animals away.',
  },
  'uv-lamp': {
    severity: 'strong',
    hazard: 'Lamps for this work give ultraviolet that harms eyes and skin without being felt.',
    protection:
      'Box closed while the lamp burns; glasses against ultraviolet and covered skin when it must be open. Dry hands at the plug.',
    never: 'Never look into the lamp. Never let a mains lead or lamp hang over the bath unsecured.',
  },
  'oxygen-bleach': {
    severity: 'caution',
    hazard: 'Oxygen-bleach powder in hot water is alkaline: it hurts eyes, dries skin, and gives off oxygen.',
    protection: 'Goggles and gloves. Stir the powder in slowly, and let nobody breathe its dust.',
    never:
      'Never with acid or chlorine bleach. Never in a sealed vessel. Never hotter than 50 °C (122 °F): long caps bend.',
  },
  'gas-of-a-sample': {
    severity: 'strong',
    hazard: 'A sample with yeast foams at once, gets hot and splashes; strong peroxide does so violently.',
    protection:
      'A few millilitres, thinned with water where it is over 12 %. A hose or vessel that stays open; a tray under it.',
    never: 'Never in a closed vessel. Never the yeast into the bottle. No flame and no smoking beside it.',
  },
  'vapour-box': {
    severity: 'caution',
    hazard: 'A lidded box of warm peroxide vapour builds oxygen and irritates the lungs when opened.',
    protection: 'Lid laid on, not latched. Open it outdoors or by a window, goggles on, face away.',
    never: 'Never clamp or tape the lid. No flame and no smoking beside it.',
  },
} as const satisfies Record<string, Omit<Caution, 'id'>>;

export type CautionId = keyof typeof CAUTIONS;

/** The caution of an id. */
export function caution(id: CautionId): Caution {
  return { id, ...CAUTIONS[id] };
}

/** From here on it is labelled as harming eyes for good (GHS, hydrogen peroxide solutions). */
const EYES_PERCENT = 8;

/**
 * Cautions for handling peroxide of a strength: over 6 % stings, from 8 % on it harms eyes for good, over 12 % burns.
 *
 * @param percentWW strongest solution handled, % w/w
 */
export function cautionsForPeroxide(percentWW: number): Caution[] {
  if (percentWW > 12) return [caution('peroxide-burns')];
  if (percentWW >= EYES_PERCENT) return [caution('peroxide-eyes')];
  if (percentWW > 6) return [caution('peroxide-stings')];
  return [caution('peroxide-mild')];
}
