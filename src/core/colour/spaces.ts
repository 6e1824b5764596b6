import {
  convertLrgbToRgb,
  convertRgbToLrgb,
  differenceCiede2000,
  modeLab65,
  modeLch65,
  modeRgb,
  modeXyz65,
  useMode as defineMode,
} from 'culori/fn';

/**
 * The colour spaces of the library that are used here, each registered by hand: the whole library knows
 * thirty more, and every page with a swatch would have to load them.
 */
export const rgb = defineMode(modeRgb);
export const xyz65 = defineMode(modeXyz65);
export const lab65 = defineMode(modeLab65);
// The colour difference works through cylinder coordinates.
defineMode(modeLch65);

export const ciede2000 = differenceCiede2000();
export { convertLrgbToRgb, convertRgbToLrgb };
