import { mkdir, readdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Refusal } from '@/core/refusal';
import { dataFolder } from '../folder';
import { inTrialWorkshop, trialPhoto, trialRestoration } from '@/work/trial';
import { withFiles } from './store';
import { sweepHalfWritten } from './sweep';

inTrialWorkshop();

const hash = (letter: string) => letter.repeat(64);
const place = () => path.join(dataFolder(), 'photos', 'ab');
const lies = async () => (await readdir(place())).sort();

beforeEach(async () => {
  await rm(place(), { recursive: true, force: true });
  await mkdir(place(), { recursive: true });
});

it('what a crash left half written goes, and what no row speaks of; what is whole, or still being written, stays', async () => {
  const mine = `${hash('a')}.jpg.${process.pid}.3f2a.part`;
  // No process has such a number.
  const dead = (letter: string) => `${hash(letter)}.jpg.2147483000.3f2a.part`;
  const files = [
    `${hash('c')}.jpg`,
    `${hash('d')}.jpg`,
    dead('d'),
    dead('e'),
    `${hash('f')}.jpg`,
    dead('f'),
    'abf.jpg.part',
    mine,
  ];
  for (const name of files) await writeFile(path.join(place(), name), 'x');
  await sweepHalfWritten(dataFolder(), (one) => Promise.resolve(one === hash('f')));
  expect(await lies()).toEqual([mine, `${hash('c')}.jpg`, `${hash('f')}.jpg`]);
});

it('where what was to be written is refused, the file goes again; what a row speaks of stays', async () => {
  const files = async () =>
    (await readdir(path.join(dataFolder(), 'photos'), { recursive: true }))
      .filter((name) => /\.\w+$/.test(name))
      .sort();
  const { hash: known } = await trialPhoto((await trialRestoration()).id);
  const before = await files();
  expect(before).toEqual([path.join(known.slice(0, 2), `${known}.jpg`)]);
  const refused = withFiles(async (keep) => {
    await keep(Buffer.from('another'), 'jpg');
    throw new Refusal('photo', 'No.');
  });
  await expect(refused).rejects.toThrow('No.');
  await expect(trialPhoto('nowhere', 3)).rejects.toThrow('not here any more');
  expect(await files()).toEqual(before);
});
