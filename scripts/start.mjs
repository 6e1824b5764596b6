// `npm start`: serves the user's own data, from KVELL_DATA or ./data. `-- --lan` lets a phone of the same network in.
import path from 'node:path';
import { ensureBuild, ensurePackages, HOME, serve } from './prepare.mjs';

await ensurePackages();
await ensureBuild();
await serve(path.resolve(HOME, process.env.KVELL_DATA ?? 'data'), { lan: process.argv.includes('--lan') });
