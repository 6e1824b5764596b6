import { rm } from 'node:fs/promises';
import { closeDatabase } from '@/data/connection';
import { dataFolder } from '@/data/folder';
import { clock } from '@/edge/clock';
import { listRestorations } from '@/data/restorations';
import { airOver, skyOver } from '@/data/weather';
import { simulatedAir } from '@/simulators/weather/air';
import { simulatedSky } from '@/simulators/weather/sky';
import { workBench } from '@/core/schedule/benchWork';
import { replan } from '@/work/plan/replan';
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
  const outside = {
    sky: skyOver((place, from, hours) => Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours))),
    air: airOver((place, from, hours) => Promise.resolve(simulatedAir(place.latitude, place.longitude, from, hours))),
  };
  const { plan } = await replan(clock(), outside, (work) => Promise.resolve(workBench(work, () => performance.now())));
  console.log(`  The bench is planned: ${plan.tasks.length} tasks.`);
}
await closeDatabase();
