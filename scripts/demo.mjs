// `npm run demo`: installs what is missing, builds, loads the demo workshop, serves it. `-- --fresh` makes the demo anew;
// `-- --on 2026-12-21T12:00` shows it as it stands on another day.
import path from 'node:path';
import { bin, ensureBuild, ensurePackages, HOME, run, serve, tell } from './prepare.mjs';

// The demo has a folder of its own, never the user's.
const on = process.argv.includes('--on') ? process.argv[process.argv.indexOf('--on') + 1] : null;
const day = on === null ? null : Date.parse(/^\d{4}-\d\d-\d\d$/.test(on ?? '') ? `${on}T12:00` : (on ?? ''));
if (Number.isNaN(day)) {
  tell(`“${on ?? ''}” is no day. Give one like 2026-06-21, or 2026-06-21T10:30.`);
  process.exit(1);
}
if (day !== null) process.env.KVELL_CLOCK_SHIFT_MS = String(day - Date.now());
const data = path.join(HOME, on === null ? 'data-demo' : `data-demo-${on.replace(/[^\dT-]/g, '')}`);
await ensurePackages();
await ensureBuild();
const loaded = await run(bin('tsx'), ['demo/load.ts', ...process.argv.slice(2).filter((word) => word === '--fresh')], {
  env: { KVELL_DATA: data },
});
if (loaded !== 0) process.exit(loaded);
await serve(data, { lan: process.argv.includes('--lan') });
