import { rm } from 'node:fs/promises';
import { closeDatabase } from '@/data/connection';
import { dataFolder } from '@/data/folder';
import { clock } from '@/edge/clock';
import { listRestorations } from '@/data/restorations';
import { loadWorkshop } from './workshop';

/** Loads the demo workshop into the data folder: kept where it is there already, made anew with `--fresh`. */
const fresh = process.argv.includes('--fresh');
// A guard against the one thing this may never do.
if (!/data-(demo|test)[^/]*$/.test(dataFolder()))
  throw new Error(`The demo is loaded only into a folder named data-demo…, not into ${dataFolder()}.`);
if (fresh) await rm(dataFolder(), { recursive: true, force: true });
if ((await listRestorations()).length > 0)
  console.log('The demo workshop is there already. With --fresh it is made anew.');
else {
  console.log('Loading the demo workshop. The simulated camera takes its photographs now.');
  await loadWorkshop(clock(), (words) => console.log(`  ${words}`));
}
await closeDatabase();
