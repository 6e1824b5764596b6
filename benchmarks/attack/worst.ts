import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import { closeDatabase } from '@/data/connection';
import { decodePicture } from '@/data/photos/decode';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, tell } from './server';

/** A note is written in under a second whatever else is under way. */
const LONGEST_MS = 1000;
/** A picture of 12 million pixels takes at most so many times what the library alone takes. */
const MOST_RATIO = 2;

const SCREWS = {
  thing: 'screw',
  drive: 'cross',
  head: 'pan',
  diameterMm: '3',
  lengthMm: '8',
  shank: 'straight',
  count: '4',
  fate: 'kept',
};

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** The slowest inputs at once, four pictures of a hundred million pixels and the largest sheets of paper, while somebody writes notes. */
export async function worst(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const server = await attacked(3965, data);
  const failures: string[] = [];
  const actions = actionsOfBuild();
  const act = (name: string, given: object) => call(server.base, actions.get(name)!, [given]);
  try {
    const restorationId = String(
      (await act('stages/intake/actions#openMachine', { title: 'Worst', once: 'd'.repeat(32) })).answer!.value,
    );
    // A teardown of 120 steps with words as long as they may be: its sheet is some hundred pages.
    for (let i = 0; i < 120; i++) {
      const step = {
        restorationId,
        name: `Step ${i} ${'of the shell '.repeat(8)}`,
        joint: 'screws',
        way: 'a little force, then up '.repeat(20),
      };
      const { answer } = await act('stages/teardown/actions#takeStepOff', step);
      await act('stages/teardown/actions#putIntoTray', { ...SCREWS, stepId: answer!.value });
    }
    const noise = { type: 'gaussian' as const, mean: 128, sigma: 40 };
    const grain = await sharp({ create: { width: 1250, height: 1240, channels: 3, background: '#caa', noise } })
      .png()
      .toBuffer();
    const jpeg = await sharp(grain)
      .resize(10_000, 9920, { kernel: 'nearest' })
      .jpeg({ quality: 80, progressive: true })
      .toBuffer();
    const picture = async (i: number) => {
      const form = new FormData();
      form.set('restorationId', restorationId);
      form.set('stage', 'intake');
      form.set('photo', new File([new Uint8Array(jpeg), new Uint8Array([i])], `w${i}.jpg`));
      const response = await fetch(`${server.base}/api/photos`, {
        method: 'POST',
        body: form,
        headers: { origin: server.base },
      });
      const answered = (await response.json()) as { ok: boolean; value?: { id: string } };
      if (!answered.ok)
        return void failures.push(`a picture was not taken in: ${JSON.stringify(answered).slice(0, 160)}`);
      const small = await fetch(`${server.base}/api/photos/${answered.value!.id}?size=large`);
      if (small.status !== 200) failures.push(`its small picture: ${small.status}`);
    };
    const file = async (address: string) => {
      const response = await fetch(server.base + address);
      await response.arrayBuffer();
      if (response.status !== 200) failures.push(`${address}: ${response.status}`);
    };
    let under = true;
    const all = Promise.all([
      ...[1, 2, 3, 4].map(picture),
      file(`/api/restorations/${restorationId}/teardown?as=pdf`),
      file(`/api/restorations/${restorationId}/teardown?as=labels&paper=a4`),
      file(`/api/restorations/${restorationId}/export?as=zip`),
      file(`/api/restorations/${restorationId}/export?as=html`),
    ]).finally(() => (under = false));
    const notes: number[] = [];
    for (let i = 0; under; i++) {
      notes.push(
        await timed(() =>
          act('clipboard/actions#writeDown', {
            restorationId,
            stage: 'mend',
            words: `n ${i}`,
            once: `e${i}`.padStart(32, '0'),
          }),
        ),
      );
      await pause(20);
    }
    await all;
    const longest = Math.max(...notes);
    if (longest > LONGEST_MS) failures.push(`a note took ${longest.toFixed(0)} ms`);
    const twelve = await sharp(grain).resize(4000, 3000).jpeg({ quality: 90 }).toBuffer();
    const [ours, alone]: [number[], number[]] = [[], []];
    for (let i = 0; i < 7; i++) {
      ours.push(await timed(() => decodePicture(twelve)));
      alone.push(await timed(() => sharp(twelve).raw().toBuffer()));
    }
    const ratio = median(ours) / median(alone);
    if (ratio > MOST_RATIO)
      failures.push(`12 million pixels take ${ratio.toFixed(2)} times what the library alone takes`);
    tell(
      'worst',
      8,
      failures,
      `${notes.length} notes meanwhile, the longest ${longest.toFixed(0)} ms, median ${median(notes).toFixed(0)} ms; most memory ${await server.mostMb()} MB; 12 MP ${ratio.toFixed(2)} times the library alone`,
    );
  } finally {
    await server.stop();
    await closeDatabase();
    await removeFolder(data);
  }
}
