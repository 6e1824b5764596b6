// `npm test`: every check there is, against the built application. Ends with a line of what really ran.
import { mkdir, readFile, rm } from 'node:fs/promises';
import path from 'node:path';
import { bin, ensureBuild, ensureChromium, ensurePackages, HOME, run, tell } from './prepare.mjs';

const REPORTS = path.join(HOME, 'test-results');
const counts = { passed: 0, failed: 0 };

function count(passed, failed) {
  counts.passed += passed;
  counts.failed += failed;
}

async function check(name, command, args) {
  tell(name);
  const code = await run(command, args);
  count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

const report = async (file) => JSON.parse(await readFile(path.join(REPORTS, file), 'utf8').catch(() => 'null'));

/** The demo workshop as it stands at midsummer and at midwinter, both at once; what the tests are told of them. */
async function loadDemos() {
  const days = JSON.parse(await readFile(path.join(HOME, 'e2e/days.json'), 'utf8'));
  tell('demo workshops for the tests');
  const loads = Object.entries(days).map(async ([season, day]) => {
    const shift = Date.parse(day) - Date.now();
    await rm(path.join(HOME, `.test-${season}`), { recursive: true, force: true });
    const code = await run(bin('tsx'), ['demo/load.ts'], {
      env: { KVELL_DATA: `.test-${season}/data-test`, KVELL_CLOCK_SHIFT_MS: String(shift) },
    });
    return { code, name: `KVELL_SHIFT_${season}`, shift };
  });
  const loaded = await Promise.all(loads);
  const at = Date.now();
  // Where a load failed the tests load again, and say why it fails.
  if (loaded.some(({ code }) => code !== 0)) return { unit: {}, browser: () => ({}) };
  return {
    unit: { KVELL_DEMO_LOADED: '.test-summer/data-test' },
    // Until the browser comes to it, the demo’s clock stands.
    browser: () => ({
      KVELL_DEMOS_LOADED: '1',
      ...Object.fromEntries(loaded.map(({ name, shift }) => [name, String(shift - (Date.now() - at))])),
    }),
  };
}

await ensurePackages();
await rm(REPORTS, { recursive: true, force: true });
// Jest writes its report only into a folder that is there.
await mkdir(REPORTS, { recursive: true });
/** Each of these keeps one core: two at a time. */
const beside = async () => {
  await check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await run(bin('next'), ['typegen'], { quiet: true });
  await check('types', bin('tsc'), ['--noEmit']);
  await check('dependency rules', bin('depcruise'), [
    'src',
    'demo',
    'e2e',
    'benchmarks',
    'scripts',
    '--config',
    '.dependency-cruiser.cjs',
  ]);
  await check('unused code', bin('knip'), []);
};
await Promise.all([check('lint', bin('eslint'), ['.', '--max-warnings', '0']), beside()]);

const demos = await loadDemos();
tell('unit tests');
const unitCode = await run(bin('jest'), ['--json', `--outputFile=${path.join(REPORTS, 'unit.json')}`], {
  env: demos.unit,
});
const unit = await report('unit.json');
count(unit?.numPassedTests ?? 0, unit?.numFailedTests ?? 0);
// Broken before it ran a test: that is a failure too.
if (unitCode !== 0 && !unit?.numFailedTests) count(0, 1);

await ensureBuild();
const chromium = await ensureChromium();
tell('browser tests');
const e2eCode = chromium
  ? await run(bin('playwright'), ['test'], {
      env: { CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(REPORTS, 'e2e.json'), ...demos.browser() },
    })
  : 1;
const e2e = (await report('e2e.json'))?.stats;
count((e2e?.expected ?? 0) + (e2e?.flaky ?? 0), e2e?.unexpected ?? 0);
if (e2eCode !== 0 && !e2e?.unexpected) count(0, 1);

console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed === 0 ? 0 : 1);
