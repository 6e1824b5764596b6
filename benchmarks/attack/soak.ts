import { cp } from 'node:fs/promises';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import { quantile } from '@/core/numbers';
import { closeDatabase } from '@/data/connection';
import { findRows } from '@/data/table';
import { STAGES } from '@/core/runsheet/stages';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell } from './server';

const DEVICES = 8;
const MINUTES = Number(process.env.MINUTES ?? 120);
/** Between two things that one device does, ms. */
const REST_MS = [800, 3500] as const;
const WATCH_MS = 10_000;
/** Memory of the last quarter against that of the second, the first being for warming up. */
const MOST_GROWTH = 1.1;

/**
 * Eight devices at the demo workshop for two hours: they read, look for things, write, send again what was answered
 * already, and photograph. No answer fails, nothing that was answered is lost or there twice, and memory stays flat.
 */
export async function soak(): Promise<void> {
  const data = await newFolder();
  await cp('data-demo', data, { recursive: true });
  const failures: string[] = [];
  const times: number[] = [];
  const memory: number[] = [];
  const [notes, photos] = [new Set<string>(), new Set<string>()];
  const server = await attacked(3968, data);
  const until = performance.now() + MINUTES * 60_000;
  const going = () => performance.now() < until;
  try {
    const list = await (await fetch(`${server.base}/restorations`)).text();
    const ids = [...new Set([...list.matchAll(/\/restorations\/([0-9a-f-]{36})/g)].map(([, id]) => id!))];
    const pages = [
      ...[
        '/',
        '/plan',
        '/plan/tasks',
        '/plan/ready',
        '/restorations',
        '/stores',
        '/stores/ahead',
        '/sums',
        '/workshop',
      ],
      ...['/workshop/learnt', '/workshop/backup', '/workshop/kept'],
      ...ids.flatMap((id) => ['', ...STAGES, 'log', 'owner', 'worth'].map((place) => `/restorations/${id}/${place}`)),
    ];
    const get = async (address: string) => {
      const start = performance.now();
      const response = await fetch(server.base + address);
      await response.text();
      times.push(performance.now() - start);
      if (!response.ok) failures.push(`${address} answered ${response.status}`);
    };
    const note = async (device: number, turn: number, restorationId: string, again: boolean) => {
      const words = `soaked ${device}.${turn}`;
      const once = `${device}${String(turn).padStart(8, '0')}`.padStart(32, 'a');
      const given = { restorationId, stage: 'mend', words, once, typedAgoMs: turn % 3 === 0 ? 90_000 : 0 };
      for (let i = 0; i < (again ? 2 : 1); i++) {
        const { answer } = await call(server.base, actionsOfBuild().get('clipboard/actions#writeDown')!, [given]);
        if (answer?.ok) notes.add(words);
        else failures.push(`a note was not taken: ${JSON.stringify(answer)}`);
      }
    };
    const photo = async (device: number, turn: number, restorationId: string) => {
      const shade = { r: turn % 256, g: (turn >> 8) % 256, b: device * 30 };
      const jpeg = await sharp({ create: { width: 800, height: 600, channels: 3, background: shade } })
        .jpeg()
        .toBuffer();
      const form = new FormData();
      form.set('restorationId', restorationId);
      form.set('stage', 'intake');
      form.set('photo', new File([new Uint8Array(jpeg)], `soaked-${device}-${turn}.jpg`));
      const sent = await fetch(`${server.base}/api/photos`, {
        method: 'POST',
        body: form,
        headers: { origin: server.base },
      });
      const answer = (await sent.json()) as { ok: boolean; value?: { id: string } };
      if (answer.ok) photos.add(answer.value!.id);
      else failures.push(`a photograph was not taken: ${JSON.stringify(answer)}`);
    };
    const device = async (number: number) => {
      const random = seeded(20_261_200 + number);
      const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
      for (let turn = 0; going(); turn++) {
        const what = random();
        try {
          if (what < 0.6) await get(one(pages));
          else if (what < 0.7)
            await get(`/find?q=${one(['veil', 'lid', 'soaked', 'brown+yellow', '2026-06', 'x'.repeat(400)])}`);
          else if (what < 0.85) await note(number, turn, one(ids), random() < 0.2);
          else if (what < 0.88) await photo(number, turn, one(ids));
          else await get('/api/mark');
        } catch (failure) {
          failures.push(`device ${number}: ${String(failure)}`);
        }
        await pause(REST_MS[0] + random() * (REST_MS[1] - REST_MS[0]));
      }
    };
    const watch = async () => {
      for (; going(); await pause(WATCH_MS)) memory.push(await server.nowMb());
    };
    await Promise.all([watch(), ...Array.from({ length: DEVICES }, (_, i) => device(i))]);
    await server.stop();
    failures.push(...server.faults.map((fault) => `told on its error output: ${fault}`));
    process.env.KVELL_DATA = data;
    const written = (await findRows('log')).map(({ words }) => words).filter((words) => words.startsWith('soaked'));
    if (written.length !== notes.size) failures.push(`${notes.size} notes were answered, ${written.length} are there`);
    for (const words of notes)
      if (!written.includes(words)) failures.push(`a note that was answered is lost: ${words}`);
    const there = new Set((await findRows('photos')).map(({ id }) => id));
    for (const id of photos) if (!there.has(id)) failures.push(`a photograph that was answered is lost: ${id}`);
    const quarter = (n: number) =>
      quantile(memory.slice(Math.floor((n * memory.length) / 4), Math.floor(((n + 1) * memory.length) / 4)), 0.5)!;
    const growth = quarter(3) / quarter(1);
    if (growth > MOST_GROWTH) failures.push(`memory grew from ${quarter(1)} to ${quarter(3)} MB`);
    tell(
      'soak',
      times.length + notes.size + photos.size,
      failures,
      `${DEVICES} devices for ${MINUTES} min, p95 of a page ${quantile(times, 0.95)!.toFixed(0)} ms, memory by quarters ${[0, 1, 2, 3].map(quarter).join(', ')} MB`,
    );
  } finally {
    await server.stop('SIGKILL').catch(() => {});
    await closeDatabase();
    await removeFolder(data);
  }
}
