import { Refusal } from '../refusal';

/** How long a glue, a putty or a resin cures, by its sheet. */
export interface Cure {
  sheetMin: number;
  /** Warmth that the sheet’s time is for. */
  sheetC: number;
  actualC: number;
  /** Between these the sheet lets it be used. */
  lowestC: number;
  highestC: number;
}

/**
 * Time to cure in a room of another warmth than the sheet’s: double for each 10 °C colder, half for each 10 °C warmer.
 *
 * @throws Refusal outside of what the sheet allows
 */
export function cureTime({ sheetMin, sheetC, actualC, lowestC, highestC }: Cure): { cureMin: number } {
  if (lowestC > highestC)
    throw new Refusal(
      'lowestC',
      `The sheet’s lowest, ${lowestC} °C, lies above its highest, ${highestC} °C. Swap them.`,
    );
  if (actualC < lowestC)
    throw new Refusal(
      'actualC',
      `At ${actualC} °C it does not cure: the sheet asks for ${lowestC} °C at least. Warm the place.`,
    );
  if (actualC > highestC)
    throw new Refusal('actualC', `${actualC} °C is more than the sheet allows, ${highestC} °C. Let the place cool.`);
  return { cureMin: sheetMin * 2 ** ((sheetC - actualC) / 10) };
}
