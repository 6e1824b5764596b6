import { spawn, type ChildProcess } from 'node:child_process';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { findAnything } from '@/bench/find';
import { closeDatabase, queriesSoFar } from '@/data/connection';
import { copyRestorations } from '@/work/manyYears.testing';
import { piecesOf } from '@/data/pieces';
import { planView } from '@/stages/brighten/plan/plan';
import { planSchema } from '@/stages/brighten/schema';

/** Every restoration of the demo so many times more: 1,004 of its four. */
const COPIES = 250;
const VISITS = 15;
const MOST_QUERIES = 40;
const MOST_RATIO = 1.5;

interface Served {
  base: string;
  process: ChildProcess;
  /** Queries that it asked so far. */
  queries: () => number;
}

async function served(port: number, data: string): Promise<Served> {
  let queries = 0;
  const process_ = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: { ...process.env, KVELL_DATA: data, KVELL_TELL_QUERIES: '1' },
      stdio: ['ignore', 'ignore', 'pipe'],
    },
  );
  process_.stderr!.on('data', (chunk: Buffer) => (queries += chunk.toString().split('query\n').length - 1));
  const base = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 100; i++) {
    const up = await fetch(`${base}/sums`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) break;
    await pause(200);
  }
  return { base, process: process_, queries: () => queries };
}

async function visit(of: Served, address: string): Promise<{ ms: number; kB: number; queries: number; body: string }> {
  const before = of.queries();
  const start = performance.now();
  const response = await fetch(of.base + address);
  const body = await response.text();
  const ms = performance.now() - start;
  if (!response.ok) throw new Error(`${address} answered ${response.status}.`);
  // What was told on the way out of the other process arrives a moment later.
  await pause(15);
  return { ms, kB: body.length / 1024, queries: of.queries() - before, body };
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** What answers while somebody types: the preview of a plan for each machine that has a piece, and what is looked for. */
async function inProcess(machines: readonly string[]): Promise<Record<string, () => Promise<unknown>>> {
  const works: Record<string, () => Promise<unknown>> = {
    'looking for “shell wash”': () => findAnything('shell wash'),
  };
  for (const machine of machines) {
    const [piece] = await piecesOf(machine.slice(-36));
    if (!piece) continue;
    const form = planSchema.validate({
      ...{
        pieceId: piece.id,
        school: 'bath-lamp',
        stockId: '',
        strengthValue: 12,
        strengthUnit: 'percentWW',
        targetPercentWW: 6,
      },
      ...{
        volumeL: 2,
        areaCm2: 500,
        windowStart: '2026-06-21T10:00',
        durationMin: 120,
        turnEveryMin: 30,
        cloudPercent: 0,
      },
      ...{ lampMwPerCm2: 5, temperatureC: 25, toleranceB: 1.5 },
    });
    if (form.error) throw form.error;
    works[`preview of a plan, ${piece.tag} of ${machine.slice(-8)}`] = () => planView(form.value);
  }
  return works;
}

/** Every page of a workshop of 1,004 restorations beside the same page of the demo, visited in turn (needs `npm run demo` once before). */
export async function scale(only: readonly string[] = []): Promise<void> {
  const folder = await mkdtemp(path.join(tmpdir(), 'kvell-scale-'));
  const [demo, large] = [path.join(folder, 'data-test-demo'), path.join(folder, 'data-test-large')];
  const servers: Served[] = [];
  try {
    const from = performance.now();
    await cp('data-demo', demo, { recursive: true });
    await cp('data-demo', large, { recursive: true });
    process.env.KVELL_DATA = large;
    const rows = await copyRestorations(COPIES);
    await closeDatabase();
    console.log(
      `A workshop of ${4 * (COPIES + 1)} restorations, ${rows} rows, made in ${((performance.now() - from) / 1000).toFixed(1)} s`,
    );
    const [small, big] = [await served(3922, demo), await served(3923, large)];
    servers.push(small, big);
    const { body } = await visit(small, '/restorations');
    const machines = [...new Set(body.match(/\/restorations\/[0-9a-f-]{36}/g))];
    const pieces = new Map<string, string>();
    for (const machine of machines) {
      const found = /\/restorations\/[0-9a-f-]{36}\/pieces\/[0-9a-f-]{36}/.exec((await visit(small, machine)).body);
      if (found) pieces.set(machine, found[0]);
    }
    const stages = ['intake', 'teardown', 'wash', 'brighten', 'keys', 'mend', 'finish', 'rebuild', 'record'];
    const addresses = [
      ...['/', '/restorations', '/stores', '/stores/agents', '/workshop', '/sums', '/api/mark'],
      ...machines.flatMap((machine) => [
        machine,
        ...[...stages, 'log', 'owner', 'worth'].map((place) => `${machine}/${place}`),
      ]),
      ...[...pieces.values()].flatMap((piece) => [piece, `${piece}/measure?stage=brighten`]),
    ];
    let [worst, most, over] = [0, 0, 0];
    const tell = (one: number, many: number, queries: number, name: string) => {
      const ratio = many / one;
      [worst, most] = [Math.max(worst, ratio), Math.max(most, queries)];
      const isOver = ratio > MOST_RATIO || queries > MOST_QUERIES;
      if (isOver) over += 1;
      console.log(
        `${one.toFixed(0).padStart(5)} ms ${many.toFixed(0).padStart(8)} ms ${ratio.toFixed(2).padStart(6)} ${String(queries).padStart(8)}  ${name}${isOver ? '  OVER' : ''}`,
      );
    };
    console.log(`   demo  many years  ratio  queries  page (median of ${VISITS} visits in turn, after two)`);
    for (const address of addresses.filter((one) => !only.length || only.some((part) => one.includes(part)))) {
      const [a, b]: [number[], number[]] = [[], []];
      let queries = 0;
      for (let i = -2; i < VISITS; i++) {
        const [one, many] = [await visit(small, address), await visit(big, address)];
        if (i < 0) continue;
        a.push(one.ms);
        b.push(many.ms);
        queries = Math.max(queries, many.queries);
      }
      tell(median(a), median(b), queries, address.replace(/[0-9a-f-]{28}/g, '…'));
    }
    for (const [name, work] of Object.entries(await inProcess(machines))) {
      const times: Record<string, number[]> = { [demo]: [], [large]: [] };
      let queries = 0;
      for (let i = -2; i < VISITS; i++)
        for (const folder of [demo, large]) {
          process.env.KVELL_DATA = folder;
          const [before, start] = [queriesSoFar(), performance.now()];
          await work();
          if (i < 0) continue;
          times[folder]!.push(performance.now() - start);
          queries = Math.max(queries, queriesSoFar() - before);
        }
      tell(median(times[demo]!), median(times[large]!), queries, name);
    }
    console.log(
      `  worst ratio ${worst.toFixed(2)} (aim ${MOST_RATIO}), most queries ${most} (aim ${MOST_QUERIES}), ${over} over`,
    );
  } finally {
    for (const { process: running } of servers) running.kill();
    await rm(folder, { recursive: true, force: true });
  }
}
