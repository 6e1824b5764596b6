import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { GreySheetRow } from './rows';
import { findRows } from './table';

/** Every time that a sheet was calibrated, the newest first. */
export const sheetCalibrations = (): Promise<GreySheetRow[]> => findRows('grey_sheets', {}, [['at', 'DESC']]);

/** What the workshop's sheets of greys are: of each number what was found last. */
export async function knownSheets(): Promise<KnownSheet[]> {
  const all = await sheetCalibrations();
  return all.filter(({ number }, i) => all.findIndex((one) => one.number === number) === i);
}
