import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { closeDatabase } from '@/data/connection';
import { planThatStands } from '@/data/plans';
import { workBench } from '@/core/schedule/benchWork';
import { airOver, skyOver } from '@/data/weather';
import { simulatedAir } from '@/simulators/weather/air';
import { simulatedSky } from '@/simulators/weather/sky';
import { replan } from '@/work/plan/replan';
import { addOwnTask } from '@/work/plan/said';
import { saveWorkshop } from '@/work/workshop';
import { TRIAL_WORKSHOP, trialRestoration } from '@/work/trial';
import { quantile } from '@/core/numbers';

const MACHINES = Number(process.env.MACHINES ?? 40);
const TASKS = Number(process.env.TASKS ?? 600);
const VISITS = 60;
const MOST_RATIO = 1.5;

const outside = {
  sky: skyOver((p, from, hours) => Promise.resolve(simulatedSky(p.latitude, p.longitude, from, hours))),
  air: airOver((p, from, hours) => Promise.resolve(simulatedAir(p.latitude, p.longitude, from, hours))),
};
const inPlace = (work: Parameters<typeof workBench>[0]) => Promise.resolve(workBench(work, () => performance.now()));

/** A bench with so many machines open, and own tasks until the plan has as many as are asked for. */
async function fill(data: string, machines: number, tasks: number): Promise<number> {
  process.env.KVELL_DATA = data;
  const now = new Date();
  await saveWorkshop(TRIAL_WORKSHOP, now);
  const ids: string[] = [];
  for (let i = 0; i < machines; i++) ids.push((await trialRestoration()).id);
  const { plan } = await replan(now, outside, inPlace);
  for (let i = plan.tasks.length; machines > 0 && i < tasks; i++)
    await addOwnTask(
      { restorationId: ids[i % ids.length]!, what: `job ${i}`, minutes: 10, hands: true, place: null, afterTask: null },
      now,
    );
  await replan(now, outside, inPlace);
  const stands = (await planThatStands())!;
  await closeDatabase();
  return stands.plan.tasks.length + stands.plan.leftOut.length;
}

/** Times of an address on two servers by turns, so that both have the same weather of the machine. */
async function visits(ports: readonly number[], address: string): Promise<number[][]> {
  const times = ports.map((): number[] => []);
  for (let i = -10; i < VISITS; i++)
    for (const [s, port] of ports.entries()) {
      const start = performance.now();
      const response = await fetch(`http://127.0.0.1:${port}${address}`);
      await response.text();
      if (!response.ok) throw new Error(`${address} answered ${response.status}.`);
      if (i >= 0) times[s]!.push(performance.now() - start);
    }
  return times;
}

/** How long the bench takes to answer with many machines and tasks, against an empty one, beside the planning. */
export async function benchPage(): Promise<void> {
  const folders = await Promise.all([0, 1].map(() => mkdtemp(path.join(tmpdir(), 'kvell-bench-'))));
  const counts = [await fill(folders[0]!, 0, 0), await fill(folders[1]!, MACHINES, TASKS)];
  const ports = [3923, 3924];
  const servers = ports.map((port, i) =>
    spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
      env: { ...process.env, KVELL_DATA: folders[i]! },
      stdio: 'ignore',
    }),
  );
  try {
    for (const port of ports)
      for (let i = 0; i < 100; i++) {
        if (
          await fetch(`http://127.0.0.1:${port}/sums`).then(
            (r) => r.ok,
            () => false,
          )
        )
          break;
        await pause(200);
      }
    for (const address of ['/', '/plan', '/plan/tasks']) {
      const [empty, full] = await visits(ports, address);
      const p95 = (times: number[]) => quantile(times, 0.95)!;
      const ratio = p95(full!) / p95(empty!);
      console.log(
        `bench-page ${address}: ${MACHINES} restorations and ${counts[1]} tasks, p95 ${p95(full!).toFixed(0)} ms against ${p95(empty!).toFixed(0)} ms empty, ratio ${ratio.toFixed(2)}${address === '/' ? ` (aim under ${MOST_RATIO})` : ''}; median ${quantile(full!, 0.5)!.toFixed(0)} against ${quantile(empty!, 0.5)!.toFixed(0)} ms`,
      );
    }
  } finally {
    servers.forEach((server) => server.kill());
    await Promise.all(folders.map((folder) => rm(folder, { recursive: true, force: true })));
  }
}
