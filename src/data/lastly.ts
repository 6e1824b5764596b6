import type { AreaRow, HazeRow, LostMarkRow, OriginRow } from './rows';
import { findRows } from './table';

const AS_WRITTEN: [string, string][] = [['rowid', 'ASC']];

/** What is outlined on the photographs of a machine. */
export const areasOf = (restorationId: string): Promise<AreaRow[]> => findRows('areas', { restorationId }, AS_WRITTEN);

/** What somebody said of how original its parts are. */
export const originsOf = (restorationId: string): Promise<OriginRow[]> =>
  findRows('origins', { restorationId }, AS_WRITTEN);

/** Stripes, legends, logos and labels of it that are worn off. */
export const lostMarksOf = (restorationId: string): Promise<LostMarkRow[]> =>
  findRows('lost_marks', { restorationId }, AS_WRITTEN);

/** Haze of its windows and glossy faces, as it was measured. */
export const hazesOf = (restorationId: string): Promise<HazeRow[]> => findRows('hazes', { restorationId }, AS_WRITTEN);
