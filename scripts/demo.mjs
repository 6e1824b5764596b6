// `npm run demo`: installs what is missing, builds, loads the demo workshop, serves it. `-- --fresh` makes the demo anew.
import path from 'node:path';
import { bin, ensureBuild, ensurePackages, HOME, run, serve } from './prepare.mjs';

// The demo has a folder of its own, never the user's.
const data = path.join(HOME, 'data-demo');
await ensurePackages();
await ensureBuild();
const loaded = await run(bin('tsx'), ['demo/load.ts', ...process.argv.slice(2).filter((word) => word === '--fresh')], { env: { KVELL_DATA: data } });
if (loaded !== 0) process.exit(loaded);
await serve(data, { lan: process.argv.includes('--lan') });
