import type { Donor, DonorPartRow } from './rows';
import { findRows } from './table';

/** Donors with all that was ever on them, the newest first. */
export async function donorsWithParts(): Promise<(Donor & { parts: DonorPartRow[] })[]> {
  const [donors, parts] = await Promise.all([
    findRows('donors', {}, [['rowid', 'DESC']]),
    findRows('donor_parts', {}, [['rowid', 'ASC']]),
  ]);
  return donors.map((donor) => ({ ...donor, parts: parts.filter(({ donorId }) => donorId === donor.id) }));
}
