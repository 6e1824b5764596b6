import { mkdir, readdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { dataFolder } from '../folder';
import { inTrialWorkshop } from '../trial';
import { sweepHalfWritten } from './sweep';

inTrialWorkshop();

it('what a crash left half written goes; what is whole, or still being written, stays', async () => {
  const place = path.join(dataFolder(), 'photos', 'ab');
  await mkdir(place, { recursive: true });
  const mine = `abe.jpg.${process.pid}.3f2a.part`;
  // No process has such a number.
  for (const name of ['abc.jpg', 'abd.jpg.2147483000.3f2a.part', 'abf.jpg.part', mine]) await writeFile(path.join(place, name), 'x');
  await sweepHalfWritten(dataFolder());
  expect((await readdir(place)).sort()).toEqual(['abc.jpg', mine]);
});
