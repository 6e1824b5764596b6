import http from 'node:http';
import { closeDatabase } from '@/data/connection';
import { setDoor, setPassphrase } from '@/data/door';
import { openRestoration } from '../../src/work/restorations';
import { HEADER_SETS, METHODS, raw, WAYS_ROUND } from '../../e2e/raw';
import { actionsOfBuild, attacked, newFolder, removeFolder, tell } from './server';

const FLOOD_BYTES = 600 * 1024 * 1024;
/** What a flood may add to the memory, MB. */
const MOST_MB = 120;
const SECRET = 'Machine that nobody may see';

/** Sends a body without an end until the server will not have it. */
const flood = (base: string, path: string) =>
  new Promise<void>((resolve) => {
    const request = http.request(new URL(path, base), {
      method: 'POST',
      headers: { 'content-type': 'multipart/form-data; boundary=x', 'content-length': FLOOD_BYTES },
    });
    const part = Buffer.alloc(1024 * 1024, 97);
    let sent = 0;
    const done = () => {
      request.destroy();
      resolve();
    };
    request.on('error', done).on('response', (response) => response.resume().on('end', done));
    const more = () => {
      while (sent < FLOOD_BYTES) {
        sent += part.length;
        if (!request.write(part)) return void request.once('drain', more);
      }
      request.end();
    };
    more();
    setTimeout(done, 8000);
  });

/** Everything by which somebody might come in who has not entered, under this name and a foreign one; and a flood from outside. */
export async function door(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const now = new Date();
  await openRestoration({ title: SECRET, machine: '', source: '', pricePaidMinor: 0, condition: '' }, now);
  await setPassphrase('rain on a tin roof', null, now);
  await setDoor(true, now);
  await closeDatabase();
  const server = await attacked(3967, data, { KVELL_LAN: '1' });
  const failures: string[] = [];
  let tries = 0;
  try {
    const paths = [
      ...WAYS_ROUND,
      '/api/restorations/import',
      '/api/photos',
      '/api/schema',
      '/api/sums/yellowness',
      '/workshop',
      '/stores',
      '/sums',
    ];
    for (const host of [undefined, 'elsewhere.invalid'])
      for (const path of paths)
        for (const method of METHODS)
          for (const headers of HEADER_SETS) {
            tries += 1;
            const {
              status,
              headers: given,
              body,
            } = await raw(server.base, path, { method, headers: { ...headers, ...(host && { host }) } });
            const name = `${method} ${path} ${JSON.stringify(headers)} ${host ?? ''}: ${status}`;
            if (body.includes(SECRET) || body.includes('Running now')) failures.push(`${name} shows what is inside`);
            const tidied = [307, 308, 400].includes(status);
            if (!tidied && given['content-security-policy'] === undefined) failures.push(`${name} without its headers`);
            if (host && !tidied && status !== 403) failures.push(`${name} under a foreign name`);
            if (status >= 500) failures.push(name);
          }
    // Every action there is, by its own name.
    for (const [name, { id }] of actionsOfBuild()) {
      tries += 1;
      const { status, body } = await raw(server.base, '/', {
        method: 'POST',
        headers: { 'next-action': id, origin: server.base, 'content-type': 'text/plain' },
        body: '[{}]',
      });
      if (status !== 401 || body.includes(SECRET)) failures.push(`action ${name}: ${status}`);
    }
    const before = await server.nowMb();
    tries += 4;
    await Promise.all(
      ['/', '/api/photos', '/api/restorations/import', '/api/enter'].map((path) => flood(server.base, path)),
    );
    const grown = (await server.mostMb()) - before;
    if (grown > MOST_MB) failures.push(`a flood from outside added ${grown} MB`);
    // Somebody guesses; whoever sits at the desk waits for its own tries alone (unit tests hold the others).
    const enter = (passphrase: string) =>
      fetch(`${server.base}/api/enter`, {
        method: 'POST',
        body: JSON.stringify({ passphrase }),
        headers: { origin: server.base, 'x-forwarded-for': '10.9.9.9', 'x-kvell-peer': 'x:desk' },
      });
    for (let i = 0; i < 3; i++) await enter('guess');
    tries += 4;
    const waits =
      ((await (await enter('rain on a tin roof')).json()) as { errors?: { message: string }[] }).errors?.[0]?.message ??
      '';
    if (!waits.includes('Too many wrong tries')) failures.push('a made-up address gave new tries');
    tell('door', tries, failures, `four floods of 600 MB at once added ${grown} MB`);
  } finally {
    await server.stop();
    await closeDatabase();
    await removeFolder(data);
  }
}
