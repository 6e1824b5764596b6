import { Refusal } from '../refusal';
import { cautionsForPeroxide, type Caution } from './cautions';
import { peroxideDensity } from './strength';

/** Density of water at 20 °C, kg/L. */
const WATER_DENSITY = 0.9982;
/** Above this strength Kvell does not plan at all, % w/w. */
export const REFUSE_ABOVE_PERCENT_WW = 35;

export interface Dilution {
  stockVolumeL: number;
  waterVolumeL: number;
  stockMassKg: number;
  waterMassKg: number;
  cautions: Caution[];
}

/**
 * How much stock and how much water give so many litres of the strength wanted: mass balance by weight,
 * volumes through density (volumes themselves do not add up).
 *
 * @param stockPercentWW strength of the bottle, % w/w, above 0 and up to 35
 * @param targetPercentWW strength wanted, % w/w, not above the stock
 * @param finalVolumeL litres wanted
 * @throws Refusal over 35 %, at or under 0, or with a target above the stock
 * @example peroxideDilution(35, 12, 5).stockVolumeL // 1.578
 */
export function peroxideDilution(stockPercentWW: number, targetPercentWW: number, finalVolumeL: number): Dilution {
  if (!(stockPercentWW > 0))
    throw new Refusal('stockPercentWW', 'The stock has no peroxide in it. Give the strength on its label, above 0 %.');
  if (!(targetPercentWW > 0))
    throw new Refusal('targetPercentWW', 'A bath without peroxide does nothing. Give a target above 0 %.');
  if (!(finalVolumeL > 0)) throw new Refusal('finalVolumeL', 'Give the litres you need, more than 0.');
  if (stockPercentWW > REFUSE_ABOVE_PERCENT_WW)
    throw new Refusal(
      'stockPercentWW',
      'Kvell does not plan with peroxide over 35 %. Use a weaker stock, 35 % or less.',
    );
  if (targetPercentWW > stockPercentWW)
    throw new Refusal(
      'targetPercentWW',
      `Water only makes it weaker: ${round(targetPercentWW)} % cannot be mixed from ${round(stockPercentWW)} %. Choose a target up to ${round(stockPercentWW)} % or a stronger stock.`,
    );
  const massKg = finalVolumeL * peroxideDensity(targetPercentWW);
  const stockMassKg = (massKg * targetPercentWW) / stockPercentWW;
  const waterMassKg = massKg - stockMassKg;
  return {
    stockVolumeL: stockMassKg / peroxideDensity(stockPercentWW),
    waterVolumeL: waterMassKg / WATER_DENSITY,
    stockMassKg,
    waterMassKg,
    cautions: cautionsForPeroxide(Math.max(stockPercentWW, targetPercentWW)),
  };
}

const round = (value: number) => Math.round(value * 100) / 100;
