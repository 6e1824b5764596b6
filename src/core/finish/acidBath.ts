import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';

/** Weak acids that rust is left to soak in. */
export const BATH_ACIDS = ['vinegar', 'citric acid'] as const;
export type BathAcid = (typeof BATH_ACIDS)[number];

export interface AcidBath {
  acid: BathAcid;
  /** Acid in the bath, by mass. */
  percent: number;
  temperatureC: number;
  /** How thick the rust is, µm. */
  rustUm: number;
}

/** Colder it hardly works, warmer it fumes and eats the metal. */
export const BATH_C = { lowest: 5, highest: 60 } as const;
/** Weaker it does nothing; stronger only takes metal. */
export const BATH_PERCENT = { lowest: 1, highest: 20 } as const;

/** How thick rust mostly is, µm, as it looks. */
export const RUST_UM = { bloom: 10, scale: 50, pits: 80 } as const;

export interface AcidHours {
  /** Hours until the rust is loose, and between which they mostly lie. */
  hours: number;
  lowH: number;
  highH: number;
  /** Metal that goes with it, µm. */
  metalUm: number;
  /** Look and brush every so many hours. */
  lookH: number;
}

/**
 * Hours of a weak acid on rust: with the root of its strength, double for each 10 °C warmer. An estimate: what the rust
 * is like decides as much.
 *
 * @throws Refusal outside of what such a bath is used at
 * @example acidBath({ acid: 'citric acid', percent: 5, temperatureC: 20, rustUm: 10 }).hours // 4
 */
export function acidBath({ acid, percent, temperatureC, rustUm }: AcidBath): AcidHours {
  if (temperatureC < BATH_C.lowest || temperatureC > BATH_C.highest)
    throw new Refusal(
      'temperatureC',
      `At ${temperatureC} °C ${temperatureC < BATH_C.lowest ? 'it hardly works' : 'it fumes and eats the metal'}: from ${BATH_C.lowest} to ${BATH_C.highest} °C.`,
    );
  if (percent < BATH_PERCENT.lowest || percent > BATH_PERCENT.highest)
    throw new Refusal(
      'percent',
      `A bath of ${percent} % ${percent < BATH_PERCENT.lowest ? 'does next to nothing' : 'takes metal and no more rust'}: from ${BATH_PERCENT.lowest} to ${BATH_PERCENT.highest} %.`,
    );
  const perHour =
    assumed(acid === 'vinegar' ? 'rust in vinegar' : 'rust in citric acid') *
    Math.sqrt(percent / 5) *
    2 ** ((temperatureC - 20) / 10);
  const hours = rustUm / perHour;
  const spread = assumed('spread of acid hours');
  return {
    ...{ hours, lowH: hours / spread, highH: hours * spread },
    metalUm: rustUm * assumed('metal with the rust'),
    lookH: Math.min(4, Math.max(0.5, hours / 4)),
  };
}
