import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import yazl from 'yazl';
import { closeDatabase } from '@/data/connection';
import { gatherBundle } from '@/data/bundle';
import { STAGES } from '@/core/runsheet/stages';
import { select } from '@/data/table';
import { poisonings } from '@/stages/record/poison.testing';
import { loadWorkshop } from '../../demo/workshop';
import { attacked, newFolder, removeFolder, tell } from './server';

/** So many evil values at each place of the bundle, the next ones at the next. */
const EACH = 5;

async function zipOf(bundle: unknown): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify(bundle)), 'restoration.json');
  zip.end();
  return buffer(zip.outputStream);
}

/**
 * Exports of a restoration, poisoned in every field in turn: what is refused is refused in words; what is taken in can be
 * shown and exported, and leaves the bench, the lists and every other restoration as they were.
 */
export async function zips(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  await loadWorkshop(new Date(), () => {});
  const rows = await select<{ id: string; title: string }>('SELECT id, title FROM restorations ORDER BY title');
  const [victim, given] = [rows.at(-1)!, rows.find(({ title }) => title === 'Pellwig Pocket')!];
  const bundle = (await gatherBundle(given.id))!;
  // Its photographs stay away: their rows are what is poisoned.
  const bare = JSON.parse(
    JSON.stringify({ ...bundle, missing: [...new Set(bundle.photos.map(({ hash }) => hash))] }),
  ) as never;
  const own = async () => JSON.stringify({ ...(await gatherBundle(victim.id))!, workshop: null });
  const before = await own();
  await closeDatabase();
  const server = await attacked(3966, data);
  const failures: string[] = [];
  let [tries, taken, turn] = [0, 0, 0];
  const page = async (address: string, name: string) => {
    const response = await fetch(server.base + address);
    const body = await response.text();
    if (response.status !== 200)
      failures.push(`${name}: ${address.replace(/[0-9a-f-]{28}/g, '…')} answers ${response.status}`);
    // What fails while it is drawn comes as a page that says so.
    else if (body.includes('This page failed') || /"digest":"\d+"/.test(body))
      failures.push(`${name}: ${address.replace(/[0-9a-f-]{28}/g, '…')} fails`);
  };
  try {
    for (const { name, bundle: poisoned } of poisonings(bare, victim.id, EACH)) {
      tries += 1;
      const response = await fetch(`${server.base}/api/restorations/import?copy=true`, {
        method: 'POST',
        body: new Uint8Array(await zipOf(poisoned)),
        headers: { origin: server.base, 'content-type': 'application/zip' },
      });
      const answered = (await response.json()) as { ok: boolean; value?: string; errors?: { message: string }[] };
      if (!answered.ok) {
        if (response.status !== 400 || answered.errors!.some(({ message }) => message.includes('failed inside')))
          failures.push(`${name}: ${response.status} ${JSON.stringify(answered.errors).slice(0, 120)}`);
        continue;
      }
      taken += 1;
      turn += 1;
      const at = `/restorations/${answered.value}`;
      const stage = STAGES[turn % STAGES.length]!;
      for (const address of [at, `${at}/${stage}`]) await page(address, name);
      if (turn % 4 === 0)
        for (const address of [
          '/',
          '/restorations',
          `/api${at}/export?as=html`,
          `/api${at}/export?as=zip`,
          `/api${at}/teardown?as=pdf`,
          `${at}/log`,
          `${at}/worth`,
          `${at}/owner`,
        ])
          await page(address, name);
    }
    await server.stop();
    process.env.KVELL_DATA = data;
    if ((await own()) !== before) failures.push('another restoration is not what it was');
    await writeFile(path.join(data, 'server-output.txt'), server.faults.join(''));
    const inside = new Set(
      server.faults
        .join('')
        .split('\n')
        .filter((line) => /⨯|^\d{4}-.*Error/.test(line)),
    );
    for (const line of inside) failures.push(`in the output: ${line}`);
    tell('zips', tries, failures, `${taken} taken in and shown, the others refused in words`);
  } finally {
    await server.stop().catch(() => {});
    await closeDatabase();
    await removeFolder(data);
  }
}
