import { writeFile } from 'node:fs/promises';
import { closeDatabase } from '@/data/connection';
import { SUMS } from '@/core/sums/catalogue';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell } from './server';

const REQUESTS = 10_000;
const AT_ONCE = 8;
/** A server that gives back what it took lives within so much heap, MB, for as long as one likes. */
const HEAP_MB = 200;

const EVIL: readonly unknown[] = [
  ...[
    null,
    '',
    ' ',
    'x',
    'x'.repeat(5000),
    '\0',
    'a\0b',
    '%00',
    '../../etc/passwd',
    '__proto__',
    'constructor',
    'toString',
    'hasOwnProperty',
  ],
  ...["' OR 1=1 --", '<script>alert(1)</script>', '${7*7}', '{{7*7}}', '\u202e', '😀', '\ud800'],
  ...[0, -1, 1.5, 1e9, 1e308, -1e308, 2 ** 53, true, false, [], [[]], {}, { $ne: 1 }, { length: 1e9 }],
  ...[
    '+275760-09-13T00:00:00.000Z',
    '-271821-04-20',
    '9999-12-31T23:59',
    '0000-00-00',
    '2026-02-30T10:00',
    'NaN',
    'Infinity',
    '1e999',
    '0x10',
    '१२',
  ],
];
const PARAMETERS = [
  'size',
  'as',
  'paper',
  'page',
  'show',
  'words',
  'before',
  'piece',
  'stage',
  'from',
  'hours',
  'latitude',
  'to',
  'copy',
  'school',
  'weight',
];
const ROUTES = [
  ...[
    '/',
    '/restorations',
    '/restorations/new',
    '/stores',
    '/stores/agents',
    '/sums',
    '/sums/ID',
    '/workshop',
    '/hand',
    '/enter',
  ],
  ...[
    '/restorations/ID',
    '/restorations/ID/STAGE',
    '/restorations/ID/log',
    '/restorations/ID/owner',
    '/restorations/ID/worth',
  ],
  ...['/restorations/ID/pieces/new', '/restorations/ID/pieces/ID', '/restorations/ID/pieces/ID/measure'],
  ...[
    '/api/mark',
    '/api/schema',
    '/api/weather',
    '/api/photos/ID',
    '/api/sums/ID',
    '/api/enter',
    '/api/photos',
    '/api/restorations/import',
  ],
  ...[
    '/api/restorations/ID/export',
    '/api/restorations/ID/teardown',
    '/api/restorations/ID/wash',
    '/api/restorations/ID/session-card',
  ],
  '/api/restorations/ID/requests/ID',
];
const IDS = [
  'x',
  '..',
  '%00',
  '%2e%2e',
  'constructor',
  '__proto__',
  '%F0%9F%98%80',
  'a'.repeat(3000),
  '%',
  '00000000-0000-4000-8000-000000000000',
];
const STAGES = ['wash', 'brighten', 'record', 'constructor', '__proto__', 'toString', '%00'];
const METHODS = ['GET', 'GET', 'GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'];

/** Ten thousand requests that nobody means: pages, routes, sums and actions; none of them is a fault of ours, and memory stays. */
export async function hostile(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  // What is not given back fills this, and ends it.
  const server = await attacked(3964, data, { NODE_OPTIONS: `--max-old-space-size=${HEAP_MB}` });
  const random = seeded(13);
  const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const evil = (depth = 0): unknown => {
    const roll = random();
    if (depth < 2 && roll < 0.2) return Object.fromEntries([1, 2].map(() => [String(one(EVIL)), evil(depth + 1)]));
    if (depth < 2 && roll < 0.3) return [evil(depth + 1)];
    return one(EVIL);
  };
  const actions = [...actionsOfBuild()];
  const failures: string[] = [];
  const counts = new Map<string, number>();
  let [before, done] = [0, 0];
  try {
    const { answer } = await call(server.base, actionsOfBuild().get('stages/intake/actions#openMachine')!, [
      { title: 'Hostile', once: 'c'.repeat(32) },
    ]);
    const real = String(answer!.value);
    const note = (what: string, status: number) => {
      counts.set(`${Math.floor(status / 100)}xx`, (counts.get(`${Math.floor(status / 100)}xx`) ?? 0) + 1);
      if (status >= 500) failures.push(`${status}: ${what}`);
    };
    const ask = async () => {
      const kind = random();
      if (kind < 0.45) {
        const [name, action] = one(actions);
        // The arguments: missing, of another kind, or fields of a form with evil in them.
        const fields = {
          restorationId: random() < 0.5 ? real : one(IDS),
          stage: one(STAGES),
          [String(one(EVIL))]: evil(),
          words: evil(),
          pieceId: evil(),
          id: evil(),
        };
        const args = one<unknown>([
          [],
          [evil()],
          [fields],
          [fields],
          evil(),
          'not json',
          '[',
          '["$F1"]',
          '["$undefined"]',
          '["$Q1"]',
          '[{"a":"$1"}]',
        ]);
        const { status } = await call(server.base, action, args);
        note(`action ${name} ${JSON.stringify(args)?.slice(0, 120)}`, status);
        return;
      }
      if (kind < 0.6) {
        const name = random() < 0.9 ? one(SUMS).name : one(IDS);
        const body = random() < 0.2 ? String(one(EVIL)) : JSON.stringify(evil());
        const response = await fetch(`${server.base}/api/sums/${name}`, {
          method: 'POST',
          body,
          headers: { origin: server.base, 'content-type': 'application/json' },
        });
        note(`sum ${name} ${body.slice(0, 80)}`, response.status);
        await response.arrayBuffer();
        return;
      }
      const path = one(ROUTES)
        .replaceAll('ID', () => (random() < 0.4 ? real : one(IDS)))
        .replace('STAGE', one(STAGES));
      const query =
        random() < 0.6
          ? `?${encodeURIComponent(one(PARAMETERS))}=${one(['%00', '%', encodeURIComponent(String(one(EVIL)).toWellFormed()), 'constructor', '1e999'])}`
          : '';
      const method = one(METHODS);
      const body = method === 'GET' || method === 'HEAD' ? undefined : one(['', '{}', '[', 'a=b', 'x'.repeat(10_000)]);
      const type = one([
        'application/json',
        'text/plain',
        'multipart/form-data',
        'multipart/form-data; boundary=x',
        'application/x-www-form-urlencoded',
        'application/zip',
      ]);
      const response = await fetch(server.base + path + query, {
        method,
        ...(body !== undefined && { body }),
        headers: { origin: server.base, 'content-type': type },
        redirect: 'manual',
      });
      note(`${method} ${path.slice(0, 120)}${query.slice(0, 80)} ${type}`, response.status);
      await response.arrayBuffer();
    };
    const worker = async (until: number) => {
      while (done < until) {
        done += 1;
        await ask().catch((failure: Error) => {
          // What is no address at all the client itself does not send.
          if (!/Invalid URL|Failed to parse/.test(String(failure) + String(failure.cause)))
            failures.push(`no answer: ${String(failure.cause ?? failure)}`);
        });
      }
    };
    const run = (until: number) => Promise.all(Array.from({ length: AT_ONCE }, () => worker(until)));
    await run(REQUESTS / 4);
    before = await server.nowMb();
    await run(REQUESTS);
    const after = await server.nowMb();
    if (after > before + 100) failures.push(`memory grew from ${before} to ${after} MB`);
    if (server.child.exitCode !== null) failures.push('the server ended');
    const inside = server.faults
      .join('')
      .split('\n')
      .filter((line) => /^\d{4}-.*(Error|failed)|⨯/.test(line));
    for (const line of new Set(inside)) failures.push(`in the output: ${line}`);
    const told = [...counts]
      .sort()
      .map(([status, count]) => `${status} ${count}`)
      .join(', ');
    if (process.env.KVELL_FAULTS) await writeFile(process.env.KVELL_FAULTS, server.faults.join(''));
    tell('hostile', REQUESTS, failures, `${told}; memory ${before} MB after a quarter, ${after} MB at the end`);
  } finally {
    await server.stop();
    await closeDatabase();
    await removeFolder(data);
  }
}
