import { spawn } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';

const PORT = 3921;
const BASE = `http://127.0.0.1:${PORT}`;
const VISITS = 15;

async function get(address: string): Promise<{ ms: number; body: string }> {
  const start = performance.now();
  const body = await (await fetch(BASE + address)).text();
  return { ms: performance.now() - start, body };
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** How long the built application takes to answer each page of the demo workshop (needs `npm run demo` once before). */
export async function pages(): Promise<void> {
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)],
    {
      env: { ...process.env, KVELL_DATA: './data-demo' },
      stdio: 'ignore',
    },
  );
  try {
    for (let i = 0; i < 50; i++) {
      if (
        await fetch(`${BASE}/sums`).then(
          (r) => r.ok,
          () => false,
        )
      )
        break;
      await pause(200);
    }
    const { body } = await get('/restorations');
    const restorations = [...new Set(body.match(/\/restorations\/[0-9a-f-]{36}/g))];
    const addresses = [
      '/',
      '/restorations',
      '/stores',
      '/sums',
      '/sums/exposure-forecast',
      '/workshop',
      ...restorations.flatMap((r) => [r, `${r}/intake`, `${r}/brighten`, `${r}/record`, `${r}/log`]),
    ];
    const all: number[] = [];
    console.log(`Pages of the demo workshop, median of ${VISITS} visits after two to warm up`);
    for (const address of addresses) {
      const times: number[] = [];
      for (let i = -2; i < VISITS; i++) {
        const { ms } = await get(address);
        if (i >= 0) times.push(ms);
      }
      all.push(...times);
      console.log(`  ${median(times).toFixed(0).padStart(4)} ms ${address.replace(/[0-9a-f-]{28}/, '…')}`);
    }
    console.log(`  median over all pages ${median(all).toFixed(0)} ms (aim under 100)`);
  } finally {
    server.kill();
  }
}
