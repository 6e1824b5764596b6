import { piecesByName } from '@/data/pieces';
import { restorationsPage } from '@/data/restorations';

/** So many machines are on the bench: those that were worked on last. */
const MACHINES = 8;

/** The open machines that were worked on last, and how many are open in all. */
export const openOnBench = () => restorationsPage('open', '', 0, MACHINES);

/** Machines and pieces that something on the bench may be of; a value is the machine, or machine and piece with a stroke between. */
export async function thingsOnBench(open = openOnBench()): Promise<{ value: string; label: string }[]> {
  const { restorations } = await open;
  const pieces = await piecesByName(restorations.map(({ id }) => id));
  return restorations.flatMap(({ id, title }) => [
    { value: id, label: title },
    ...pieces
      .filter(({ restorationId }) => restorationId === id)
      .map((piece) => ({ value: `${id}/${piece.id}`, label: `${title}: ${piece.tag} ${piece.name}` })),
  ]);
}
