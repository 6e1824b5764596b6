import { spawn, type ChildProcess } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { cp, mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { createInterface } from 'node:readline';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import { BUNDLE_PARTS } from '@/data/bundle';
import { closeDatabase, database, inTransaction, transactionUnderWay } from '@/data/connection';
import { quantile } from '@/core/numbers';
import { countRows, findRows } from '@/data/table';
import type { TableName } from '@/data/tables';
import { backUp, checkAll } from '@/work/keeping/keeping';
import { isStale } from '@/work/plan/replan';
import { endTimer } from '@/work/timers';
import { copyRestorations } from '@/work/manyYears.testing';
import { planThatStands } from '@/data/plans';
import { actionsOfBuild, call, type Called } from './attack/server';
import { SERVER, SERVER_ENV } from '../scripts/served.mjs';

/** Every restoration of the demo so many times more: 1,004 of its four. */
const COPIES = 250;
/** A server that runs for days has read its own code long ago: what is counted comes after so many visits to every page. */
const WARM = 10;
const VISITS = 80;
/** What goes out as a file takes longer, and is asked for less. */
const OUT = { warm: 2, visits: 20 };
/** Forty of a page and four of what stands around it; the record reads every table of a machine once besides. */
const MOST_QUERIES = 44;
const MOST_OF_THE_RECORD = BUNDLE_PARTS.length + 27;
const MOST_RATIO = 1.5;

/** So long a page is waited for; then its server tells what it is doing (`/tmp/report.….json`). */
const MOST_VISIT_MS = 60_000;
const REPORTS = ['--report-on-signal', `--report-directory=${tmpdir()}`];
const REPORTED_MS = 5000;
/** Where the whole machine was held up, its server could not answer either. */
const standstill = monitorEventLoopDelay();

interface Served {
  base: string;
  /** Its folder. */
  data: string;
  /** How long it took until it answered, s. */
  upS: number;
  process: ChildProcess;
  /** Queries that it asked so far. */
  queries: () => number;
}

async function served(port: number, data: string): Promise<Served> {
  let queries = 0;
  const started = performance.now();
  const process_ = spawn(process.execPath, [...REPORTS, ...SERVER, '127.0.0.1', String(port)], {
    env: { ...process.env, ...SERVER_ENV, KVELL_DATA: data, KVELL_TELL_QUERIES: '1' },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  createInterface({ input: process_.stderr! }).on('line', (told) => {
    if (told === 'query') queries += 1;
    else console.error(`${data}: ${told}`);
  });
  const base = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 100; i++) {
    const up = await fetch(`${base}/sums`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) break;
    await pause(50);
  }
  return { base, data, upS: (performance.now() - started) / 1000, process: process_, queries: () => queries };
}

async function asked(address: string): Promise<{ response: Response; body: string; ms: number }> {
  const start = performance.now();
  const response = await fetch(address, { signal: AbortSignal.timeout(MOST_VISIT_MS) });
  const body = await response.text();
  return { response, body, ms: performance.now() - start };
}

async function visit(of: Served, address: string): Promise<{ ms: number; kB: number; queries: number; body: string }> {
  const before = of.queries();
  const { response, body, ms } = await asked(of.base + address).catch(async (cause: unknown) => {
    of.process.kill('SIGUSR2');
    await pause(REPORTED_MS);
    throw new Error(
      `${of.base}${address} did not answer (${tmpdir()}/report.….json tells what its server did then); this process stood still for up to ${(standstill.max / 1e9).toFixed(1)} s itself.`,
      { cause },
    );
  });
  if (!response.ok) throw new Error(`${address} answered ${response.status}.`);
  // What was told on the way out of the other process arrives a moment later.
  await pause(15);
  return { ms, kB: body.length / 1024, queries: of.queries() - before, body };
}

/** A plan is looked for so long. */
const MOST_PLANNING_MS = 10 * 60_000;

/** Waits until a workshop’s plan is true: before, its bench is lighter than it will be. @throws Error where none comes */
async function planned(of: Served, folder: string): Promise<string> {
  process.env.KVELL_DATA = folder;
  const start = performance.now();
  let longestMs = 0;
  while (await isStale(new Date())) {
    if (performance.now() - start > MOST_PLANNING_MS)
      throw new Error(`No plan of ${folder} came within ${MOST_PLANNING_MS / 60_000} min.`);
    // It asks for the plan, and how long it takes beside it tells how long that holds the server up.
    longestMs = Math.max(longestMs, (await visit(of, '/api/mark')).ms);
  }
  const { plan } = (await planThatStands())!;
  await closeDatabase();
  const took = ((performance.now() - start) / 1000).toFixed(1);
  return `${plan.tasks.length} tasks of ${plan.ready.length} machines laid, ${plan.leftOut.length} without a place, in ${took} s; what was asked meanwhile took ${longestMs.toFixed(0)} ms at most`;
}

/** A fixed piece of work, about as long as a page, and after so many visits. */
const [LOOP, LOOP_AFTER] = [10_000_000, 8];

/** How long the same work takes in this process, ms: what it takes more at times is the machine’s own, and in each page’s figures too. */
function loopMs(): number {
  const start = performance.now();
  let sum = 0;
  for (let i = 0; i < LOOP; i++) sum = (31 * sum + i) % 1_000_003;
  if (sum < 0) throw new Error('A sum of what is never negative was negative.');
  return performance.now() - start;
}

const at = (share: number) => (values: number[]) => quantile(values, share)!;
const [median, p95] = [at(0.5), at(0.95)];

/** What a workshop of many years holds. */
const MANY = { photos: 50_000, log: 500_000, measurements: 20_000, movements: 5_000 };
const AT_ONCE = 2000;
const MOST_P95_MS = 150;

/** Makes each table as long as in a workshop of many years, through the models. */
async function fill(folder: string): Promise<void> {
  const { tables } = await database();
  const ids = (await findRows('restorations')).map(({ id }) => id);
  const more = async (
    name: TableName,
    most: number,
    rowOf: (i: number) => Record<string, unknown> | Promise<Record<string, unknown>>,
  ) => {
    const known = await countRows(name);
    for (let i = known; i < most; i += AT_ONCE) {
      const rows = await Promise.all(Array.from({ length: Math.min(AT_ONCE, most - i) }, (_, k) => rowOf(i + k)));
      await inTransaction(() => tables[name].bulkCreate(rows, { transaction: transactionUnderWay()! }));
    }
  };
  const [photo] = await findRows('photos', {}, undefined, 1);
  const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#d5cdb0' } })
    .jpeg()
    .toBuffer();
  await more('photos', MANY.photos, async (i) => {
    const content = Buffer.concat([bytes, Buffer.from(String(i))]);
    const hash = createHash('sha256').update(content).digest('hex');
    await mkdir(path.join(folder, 'photos', hash.slice(0, 2)), { recursive: true });
    await writeFile(path.join(folder, 'photos', hash.slice(0, 2), `${hash}.jpg`), content);
    return {
      ...photo,
      ...{
        id: randomUUID(),
        restorationId: ids[i % ids.length],
        pieceId: null,
        hash,
        extension: 'jpg',
        mime: 'image/jpeg',
      },
      ...{ bytes: content.length, originalName: `side ${i}.jpg` },
    };
  });
  const words = [
    'brown veil',
    'scuffed corner',
    'loose clip',
    'sticky key',
    'rusted screw',
    'yellow lid',
    'cracked boss',
  ];
  await more('log', MANY.log, (i) => ({
    ...{ restorationId: ids[i % ids.length], stage: 'wash', kind: 'note', data: null, corrects: null },
    at: new Date(Date.UTC(2016, 0, 1) + i * 600_000).toISOString(),
    words: `${words[i % words.length]} number ${i}, looked at and left`,
  }));
  // Spread over all pieces: nobody measures one of them a thousand times.
  const measured = await findRows('measurements');
  await more('measurements', MANY.measurements, (i) => ({ ...measured[i % measured.length], id: randomUUID() }));
  const moved = await findRows('movements');
  await more('movements', MANY.movements, (i) => ({ ...moved[i % moved.length], id: randomUUID() }));
}

const CLOCK = 'a clock is started';
const OWN_CLOCK = 'soak ';

/** Ends the clocks that were started here. */
async function endClocks(folder: string): Promise<void> {
  process.env.KVELL_DATA = folder;
  const running = await findRows('timers', { endedAt: null });
  for (const { id, label } of running) if (label.startsWith(OWN_CLOCK)) await endTimer(id, new Date());
}

type Doing = (base: string, once: string) => Promise<void>;

/**
 * What people do all day: each a change, a note, a piece, a machine, a clock; and what answers while somebody types, what is
 * looked for and the plan of a piece of each machine.
 *
 * @param pieces of each machine the address of one piece
 * @throws Error where it was not taken
 */
function doings(machine: string, pieces: ReadonlyMap<string, string>): Record<string, Doing> {
  const actions = actionsOfBuild();
  const restorationId = machine.slice(-36);
  const does =
    (
      name: string,
      at: string,
      given: (once: string) => unknown,
      isTaken = ({ answer }: Called) => answer?.ok === true,
    ): Doing =>
    async (base, once) => {
      const called = await call(base, actions.get(name)!, [given(once)], {}, at);
      if (!isTaken(called)) throw new Error(`${name}: ${called.body}`);
    };
  return {
    'a note is written': does('clipboard/actions#writeDown', `${machine}/mend`, (once) => ({
      ...{ restorationId, stage: 'mend', words: `note ${once}`, once },
    })),
    'a piece is tagged': does('runsheet/actions#tagPiece', `${machine}/pieces/new`, (once) => ({
      ...{ restorationId, tag: `R${once.slice(-4)}`, name: 'Part', plastic: 'ABS', finish: 'textured', once },
    })),
    'a machine is opened': does('stages/intake/actions#openMachine', '/restorations/new', (once) => ({
      title: `Trial ${once.slice(-4)}`,
      once,
    })),
    [CLOCK]: does('bench/actions#startOwnTimer', '/', (once) => ({
      ...{ label: `${OWN_CLOCK}${once.slice(-4)}`, minutes: '45', of: restorationId, atTheBell: '' },
    })),
    'looking for “nine wash”': does(
      'bench/actions#search',
      '/',
      () => 'nine wash',
      ({ body }) => body.includes('"stage"'),
    ),
    ...Object.fromEntries(
      [...pieces.values()].map((address) => [
        `preview of a plan, …${address.slice(-8)}`,
        does('stages/brighten/actions#workOutPlan', `${machine}/brighten/plan`, () => ({
          ...{ pieceId: address.slice(-36), school: 'bath-lamp', stockId: '', strengthValue: 12 },
          ...{ strengthUnit: 'percentWW', targetPercentWW: 6, volumeL: 2, areaCm2: 500, toleranceB: 1.5 },
          ...{ windowStart: '2026-06-21T10:00', durationMin: 120, turnEveryMin: 30, cloudPercent: 0 },
          ...{ lampMwPerCm2: 5, temperatureC: 25 },
        })),
      ]),
    ),
  };
}

/** Every page of a workshop of 1,004 restorations beside the same page of the demo, visited in turn (needs `npm run demo` once before). */
export async function scale(only: readonly string[] = []): Promise<void> {
  const folder = await mkdtemp(path.join(tmpdir(), 'kvell-scale-'));
  const [demo, large] = [path.join(folder, 'data-test-demo'), path.join(folder, 'data-test-large')];
  const servers: Served[] = [];
  standstill.enable();
  try {
    const from = performance.now();
    await cp('data-demo', demo, { recursive: true });
    await cp('data-demo', large, { recursive: true });
    process.env.KVELL_DATA = large;
    const copied = await copyRestorations(COPIES);
    await fill(large);
    await closeDatabase();
    console.log(
      `A workshop of ${4 * (COPIES + 1)} restorations, ${copied} rows copied and made up to ${JSON.stringify(MANY)}, made in ${((performance.now() - from) / 1000).toFixed(1)} s`,
    );
    const [small, big] = [await served(3922, demo), await served(3923, large)];
    servers.push(small, big);
    console.log(`Cold start: ${small.upS.toFixed(1)} s, of the large one ${big.upS.toFixed(1)} s (aim 3)`);
    for (const [of, data] of [
      [small, demo],
      [big, large],
    ] as const)
      console.log(`The plan: ${await planned(of, data)}`);
    const { body } = await visit(small, '/restorations');
    const machines = [...new Set(body.match(/\/restorations\/[0-9a-f-]{36}/g))];
    const pieces = new Map<string, string>();
    for (const machine of machines) {
      const found = /\/restorations\/[0-9a-f-]{36}\/pieces\/[0-9a-f-]{36}/.exec((await visit(small, machine)).body);
      if (found) pieces.set(machine, found[0]);
    }
    process.env.KVELL_DATA = demo;
    // A month of which both hold something: the page is the same.
    const month = (await findRows('log', {}, [['id', 'DESC']], 1))[0]!.at.slice(0, 7);
    await closeDatabase();
    const stages = ['intake', 'teardown', 'wash', 'brighten', 'keys', 'mend', 'finish', 'rebuild', 'record'];
    const addresses = [
      ...['/', '/restorations', '/stores', '/stores/agents', '/workshop', '/sums', '/api/mark'],
      ...[
        '/find?q=veil',
        '/find?q=lid+yellow',
        `/find?q=${month}`,
        '/restorations?words=nine',
        '/workshop/learnt',
        '/workshop/backup',
      ],
      ...['/plan', '/plan/tasks', '/plan/ready', '/plan/what-if', '/stores/ahead', '/workshop/kept'],
      ...machines.flatMap((machine) => [
        machine,
        ...[...stages, 'log', 'owner', 'worth'].map((place) => `${machine}/${place}`),
      ]),
      ...[...pieces.values()].flatMap((piece) => [piece, `${piece}/measure?stage=brighten`]),
    ];
    let [worst, most, over] = [0, 0, 0];
    const tell = (ones: number[], manies: number[], queries: number, name: string) => {
      const [one, many] = [median(ones), median(manies)];
      const ratio = p95(manies) / p95(ones);
      [worst, most] = [Math.max(worst, ratio), Math.max(most, queries)];
      const mostQueries = name.endsWith('/record') ? MOST_OF_THE_RECORD : MOST_QUERIES;
      const isOver = ratio > MOST_RATIO || queries > mostQueries || p95(manies) > MOST_P95_MS;
      if (isOver) over += 1;
      console.log(
        `${one.toFixed(0).padStart(5)} ms ${many.toFixed(0).padStart(8)} ms ${p95(manies).toFixed(0).padStart(6)} ms ${ratio.toFixed(2).padStart(6)} ${String(queries).padStart(8)}  ${name}${isOver ? '  OVER' : ''}`,
      );
    };
    console.log(
      `   demo  many years    p95  ratio of p95  queries  page (medians and p95 of ${VISITS} visits to each, all pages in turn, after ${WARM})`,
    );
    const looked = addresses.filter((one) => !only.length || only.some((part) => one.includes(part)));
    const seen = new Map(
      looked.map((address) => [address, { ones: [] as number[], manies: [] as number[], queries: 0 }]),
    );
    // All pages in turn, again and again: what holds the machine up for a moment is a visit to each of some pages, not all of one.
    const loops: number[] = [];
    for (let i = -WARM; i < VISITS; i++)
      for (const [k, [address, of]] of [...seen].entries()) {
        if (k % LOOP_AFTER === 0) loops.push(loopMs());
        const [one, many] = [await visit(small, address), await visit(big, address)];
        if (i < 0) continue;
        of.ones.push(one.ms);
        of.manies.push(many.ms);
        of.queries = Math.max(of.queries, many.queries);
      }
    console.log(
      `The machine itself: the same loop, with nothing asked, took ${median(loops).toFixed(0)} ms in the median, ${p95(loops).toFixed(0)} ms at p95 (${(p95(loops) / median(loops)).toFixed(2)} times)`,
    );
    for (const [address, { ones, manies, queries }] of seen)
      tell(ones, manies, queries, address.replace(/[0-9a-f-]{28}/g, '…'));
    const acts = doings(machines[0]!, pieces);
    for (const form of ['html', 'pdf', 'markdown', 'pictures', 'zip', 'card', 'label']) {
      const address = `/api${machines[0]}/export?as=${form}`;
      // What went out already comes faster than what was changed since.
      const [first, again] = [[[], []] as [number[], number[]], [[], []] as [number[], number[]]] as const;
      for (let i = -OUT.warm; i < OUT.visits; i++)
        for (const [k, of] of servers.entries()) {
          await acts['a note is written']!(of.base, createHash('md5').update(`${form} ${i}`).digest('hex'));
          const [one, other] = [await visit(of, address), await visit(of, address)];
          if (i < 0) continue;
          first[k]!.push(one.ms);
          again[k]!.push(other.ms);
        }
      tell(...first, 0, `the record goes out, changed since: ${form}`);
      tell(...again, 0, `the record goes out again: ${form}`);
    }
    for (const [name, does] of Object.entries(acts)) {
      const times: [number[], number[]] = [[], []];
      for (let i = -WARM; i < VISITS; i++)
        for (const [k, { base, data }] of servers.entries()) {
          const start = performance.now();
          await does(base, `${WARM + i}`.padStart(32, '0'));
          if (i >= 0) times[k]!.push(performance.now() - start);
          // Nobody has ninety clocks running at once.
          if (name === CLOCK) await endClocks(data);
        }
      tell(...times, 0, name);
    }
    process.env.KVELL_DATA = large;
    const kept = performance.now();
    const { bytes } = await backUp(new Date());
    console.log(
      `A backup of all of it: ${((performance.now() - kept) / 1000).toFixed(1)} s, ${(bytes / 1e6).toFixed(0)} MB`,
    );
    const begun = performance.now();
    const { photos, wrong } = await checkAll();
    console.log(
      `All of it looked over: ${((performance.now() - begun) / 1000).toFixed(1)} s, ${photos} photographs, ${wrong.length} wrong`,
    );
    await closeDatabase();
    console.log(
      `  worst ratio ${worst.toFixed(2)} (aim ${MOST_RATIO}), most queries ${most} (aim ${MOST_QUERIES}, of the record ${MOST_OF_THE_RECORD}), ${over} over`,
    );
  } finally {
    standstill.disable();
    for (const { process: running } of servers) running.kill();
    await rm(folder, { recursive: true, force: true });
  }
}
