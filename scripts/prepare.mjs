// What `npm run demo`, `npm start` and `npm test` need before anything else. Plain Node: nothing may be installed yet.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { access, readdir, readFile, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { networkInterfaces } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { SERVER, SERVER_ENV } from './served.mjs';

export const HOME = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const inHome = (...parts) => path.join(HOME, ...parts);

export const tell = (words) => console.log(`kvell: ${words}`);

const there = (file) =>
  access(file).then(
    () => true,
    () => false,
  );
const text = (file) => readFile(file, 'utf8').catch(() => '');

/** Runs a program to its end; its output is shown. Resolves to its exit code. */
export function run(command, args, { env = {}, quiet = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: HOME,
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
    });
    let output = '';
    child.stdout?.on('data', (part) => (output += part));
    child.stderr?.on('data', (part) => (output += part));
    child.on('error', reject);
    child.on('close', (code) => {
      if (quiet && code !== 0) console.error(output);
      resolve(code ?? 1);
    });
  });
}

async function must(words, command, args, options) {
  if ((await run(command, args, options)) !== 0) {
    tell(`${words} failed. The lines above say why.`);
    process.exit(1);
  }
}

/** A program that a package brings. */
export const bin = (name) => inHome('node_modules', '.bin', name);

/** Installs the packages where they are missing or the lock file has changed. */
export async function ensurePackages() {
  const stamp = inHome('node_modules', '.kvell-lock');
  const lock = createHash('sha256')
    .update(await text(inHome('package-lock.json')))
    .digest('hex');
  if ((await text(stamp)) === lock) return;
  if ((await there(bin('next'))) && (await there(bin('jest'))) && !(await there(stamp))) {
    // Installed by hand with npm; nothing to do but remember for which lock file.
    await writeFile(stamp, lock);
    return;
  }
  tell('installing packages. The database compiles itself, which takes a few minutes the first time.');
  await must('Installing', 'npm', ['ci', '--include=dev', '--no-audit', '--no-fund']);
  await writeFile(stamp, lock);
}

async function filesUnder(folder) {
  const entries = await readdir(folder, { withFileTypes: true });
  const nested = await Promise.all(
    entries.map((entry) =>
      entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
    ),
  );
  return nested.flat().sort();
}

async function sourceHash() {
  const hash = createHash('sha256');
  const files = [
    ...(await filesUnder(inHome('src'))),
    inHome('package-lock.json'),
    inHome('next.config.ts'),
    inHome('tsconfig.json'),
  ];
  for (const file of files) hash.update(path.relative(HOME, file)).update(await readFile(file));
  return hash.digest('hex');
}

/** Builds the application where its sources have changed since the last build. */
export async function ensureBuild() {
  const stamp = inHome('.next', 'kvell-sources');
  const sources = await sourceHash();
  if ((await text(stamp)) === sources) return;
  tell('building, about a minute.');
  await must('Building', bin('next'), ['build']);
  // What runs in threads of its own is no part of a page: one file with all that is Kvell's in it.
  const worker = [
    'src/workers/heavy.worker.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--packages=external',
    '--outfile=.next/kvell/heavy.mjs',
  ];
  await must('Building the worker', bin('esbuild'), [...worker, '--log-level=warning']);
  // What a browser keeps pages with. Next serves what is in `public` when it starts.
  const files = (await filesUnder(inHome('.next', 'static')))
    .filter((file) => /\.(js|css|woff2)$/.test(file))
    .map((file) => `/_next/${path.relative(inHome('.next'), file).split(path.sep).join('/')}`);
  const keeper = ['src/workers/pages.sw.ts', '--bundle', '--minify', '--format=iife', '--outfile=public/sw.js'];
  await must('Building what keeps pages', bin('esbuild'), [
    ...keeper,
    '--define:process.env.NODE_ENV="production"',
    `--define:KVELL_FILES=${JSON.stringify(files)}`,
    '--log-level=warning',
  ]);
  await writeFile(stamp, sources);
}

/** Chromium on this machine, installed where that can be done; `null` where it cannot. */
export async function ensureChromium() {
  const found = await whichChromium();
  if (found) return found;
  if (process.getuid?.() === 0 && (await onPath('apt-get'))) {
    tell('installing Chromium for the browser tests.');
    await run('apt-get', ['update'], { quiet: true });
    await run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], {
      quiet: true,
      env: { DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
  const now = await whichChromium();
  if (!now)
    tell(
      'There is no Chromium on this machine and it cannot be installed from here. Install the package “chromium” and run it again.',
    );
  return now;
}

async function onPath(name) {
  for (const folder of (process.env.PATH ?? '').split(path.delimiter))
    if (folder && (await there(path.join(folder, name)))) return path.join(folder, name);
  return null;
}

async function whichChromium() {
  return (await onPath('chromium')) ?? (await onPath('chromium-browser'));
}

const isFree = (port, host) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });

/**
 * Whether this server listens to the local network: asked for with `--lan` or by the switch under Workshop, and
 * only behind a passphrase.
 */
async function listensToLan(dataFolder, asked) {
  const answer = await output(bin('tsx'), ['scripts/door.ts', ...(asked ? ['--open'] : [])], {
    KVELL_DATA: dataFolder,
  });
  const { open, refused } = JSON.parse(answer);
  if (refused) tell(`listening at 127.0.0.1 only. ${refused}`);
  return open;
}

/** What a program prints, whole. */
function output(command, args, env) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: HOME,
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, ...env },
    });
    let words = '';
    child.stdout.on('data', (part) => (words += part));
    child.on('error', reject);
    child.on('close', (code) => (code === 0 ? resolve(words) : reject(new Error(`${args[0]} failed`))));
  });
}

const networkAddresses = () =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : [])),
  );

/** Serves the built application at 127.0.0.1, or to the local network, until it is stopped. */
export async function serve(dataFolder, { lan: asked = false } = {}) {
  const port = Number(process.env.PORT ?? 3000);
  const lan = await listensToLan(dataFolder, asked);
  const host = lan ? '0.0.0.0' : '127.0.0.1';
  if (!(await isFree(port, host))) {
    tell(`port ${port} is in use, perhaps by another Kvell. Stop that one, or choose another: PORT=3001 npm run …`);
    process.exit(1);
  }
  tell(`open http://127.0.0.1:${port} (data in ${dataFolder}; stop with Ctrl+C)`);
  if (lan)
    for (const address of networkAddresses())
      tell(`in the local network, behind the passphrase: http://${address}:${port}`);
  const child = spawn(process.execPath, [...SERVER, host, String(port)], {
    cwd: HOME,
    stdio: 'inherit',
    env: { ...process.env, ...SERVER_ENV, KVELL_DATA: dataFolder, KVELL_LAN: lan ? '1' : '0' },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('close', (code) => process.exit(code ?? 0));
}
