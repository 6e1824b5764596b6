import { door } from './door';
import { files } from './files';
import { hostile } from './hostile';
import { keep } from './keep';
import { kill } from './kill';
import { seek } from './seek';
import { soak } from './soak';
import { twice } from './twice';
import { worst } from './worst';
import { zips } from './zips';

const ATTACKS = { door, twice, files, zips, hostile, worst, kill, keep, seek };

/** Attacks the built application at this machine, and prints tries and failures of each; `-- attack /kill` only that one. */
export async function attack(only: readonly string[]): Promise<void> {
  console.log('Attacked, each on a server and data of its own:');
  for (const [name, run] of Object.entries(ATTACKS)) if (only.length === 0 || only.includes(`/${name}`)) await run();
  // Two hours: only where it is asked for.
  if (only.includes('/soak')) await soak();
}
