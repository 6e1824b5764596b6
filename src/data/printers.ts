import type { Printer } from './rows';
import { findRows } from './table';

/** The workshop’s printers, the one that was tested last first. */
export const printers = (): Promise<Printer[]> => findRows('printers', {}, [['rowid', 'DESC']]);
