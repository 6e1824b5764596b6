/** @jest-environment node */
import { rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { dataFolder } from '@/data/folder';
import { changeRow } from '@/data/table';
import { inTrialWorkshop, trialPhoto, trialRestoration } from '@/work/trial';
import type { Photo } from '@/data/rows';
import { GET } from './route';

inTrialWorkshop();

const ask = (id: string, query = '') =>
  GET(new Request(`http://127.0.0.1/api/photos/${id}${query}`), { params: Promise.resolve({ id }) });
const fileOf = ({ hash, extension }: Photo) =>
  path.join(dataFolder(), 'photos', hash.slice(0, 2), `${hash}.${extension}`);

it('is served as what its bytes are, whatever its row says, and runs nothing', async () => {
  const photo = await trialPhoto((await trialRestoration()).id, 5);
  await changeRow('photos', { id: photo.id }, { mime: 'text/html' });
  const { headers } = await ask(photo.id);
  expect(headers.get('Content-Type')).toBe('image/jpeg');
  expect(headers.get('Content-Security-Policy')).toContain('sandbox');
  expect(headers.get('X-Content-Type-Options')).toBe('nosniff');
  await writeFile(fileOf(photo), '<!doctype html><script>alert(1)</script>');
  const page = await ask(photo.id);
  expect([page.headers.get('Content-Type'), page.headers.get('Content-Disposition')]).toEqual([
    'application/octet-stream',
    'attachment',
  ]);
});

it('that is not on the disk, or of a size that there is not, is said to be so', async () => {
  const photo = await trialPhoto((await trialRestoration()).id, 6);
  for (const size of ['constructor', '__proto__', 'huge']) {
    const refused = await ask(photo.id, `?size=${size}`);
    expect([refused.status, await refused.text()]).toEqual([400, 'There is no such size. Choose one of small, large.']);
  }
  await rm(fileOf(photo));
  for (const query of ['', '?size=small']) expect((await ask(photo.id, query)).status).toBe(404);
});

it('asked for small by eight devices at once, all of them are answered', async () => {
  const photo = await trialPhoto((await trialRestoration()).id, 7);
  const answers = await Promise.all(Array.from({ length: 8 }, () => ask(photo.id, '?size=small')));
  const bytes = await Promise.all(
    answers.map(async (answer) => Buffer.from(await answer.arrayBuffer()).toString('hex')),
  );
  expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200));
  expect(new Set(bytes).size).toBe(1);
});
