import { isThere } from '@/data/isThere';
import { originalFile, readOriginal, withFiles } from '@/data/photos/store';
import { findRows } from '@/data/table';
import type { Photo } from '@/data/rows';
import { letDeletedGo } from './deleted';
import { backUp, keepTheHouse } from './keeping/keeping';
import { bringBack } from './takenBack';
import { takeThingBack } from './takingBack';
import { inTrialWorkshop, tick, trialPhoto, trialRestoration } from './trial';

inTrialWorkshop();

const DAY_MS = 86_400_000;
const isKept = (photo: Photo) => isThere(originalFile(photo));
/** Each of its own shade: one file is kept once, whoever speaks of it. */
let shade = 0;
const photographed = async () => trialPhoto((await trialRestoration()).id, (shade += 40));

it('a photograph that was taken back stays for 30 days, file and all, and is gone after them', async () => {
  const photo = await photographed();
  const first = tick();
  const days = (many: number) => new Date(first.getTime() + many * DAY_MS);
  const id = await takeThingBack('photograph', photo.id, first);
  expect(await letDeletedGo(days(29.99))).toBe(0);
  await bringBack(id, days(29.995));
  expect(await findRows('photos', { id: photo.id })).toEqual([photo]);
  // What is here again is not what was laid aside: only the memory of that goes.
  expect(await letDeletedGo(days(30.01))).toBe(1);
  expect(await isKept(photo)).toBe(true);
  const again = await takeThingBack('photograph', photo.id, days(31));
  expect([await letDeletedGo(days(60)), await isKept(photo)]).toEqual([0, true]);
  expect([await letDeletedGo(days(61.01)), await isKept(photo)]).toEqual([1, false]);
  await expect(bringBack(again, days(62))).rejects.toThrow('not here any more');
});

it('its file stays where the same picture comes in once more and is refused', async () => {
  const photo = await photographed();
  const bytes = await readOriginal(photo);
  const id = await takeThingBack('photograph', photo.id, tick());
  await expect(
    withFiles(async (keep) => {
      await keep(bytes, photo.extension);
      throw new Error('refused');
    }),
  ).rejects.toThrow('refused');
  await bringBack(id, tick());
  expect(await readOriginal(photo)).toEqual(bytes);
});

it('goes once a day, beside what is being answered, and not before the backup of the day stands', async () => {
  const photo = await photographed();
  await takeThingBack('photograph', photo.id, tick());
  const later = new Date(tick().getTime() + 31 * DAY_MS);
  await backUp(new Date(later.getTime() - 2 * DAY_MS));
  await keepTheHouse(later);
  expect(await isKept(photo)).toBe(false);
});
