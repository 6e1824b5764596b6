import { donorsWithParts } from '@/data/donors';
import { logOf } from '@/data/log';
import { addDonor, addDonorPart, putDonorPartBack, setDonorPartColour, takeDonorPart } from './donors';
import { bringBack } from './takenBack';
import { takeThingBack } from './takingBack';
import { inTrialWorkshop, tick, trialRestoration } from './trial';

inTrialWorkshop();

const FOOT = {
  ...{ what: 'rubber foot', lengthMm: 12, widthMm: 12, heightMm: 8, spacingMm: null },
  ...{ lab: [30, 0, 1] as [number, number, number], words: '' },
};

async function cracked() {
  const donorId = await addDonor({ name: 'Cracked slab', words: '' }, tick());
  return { donorId, partId: await addDonorPart({ ...FOOT, donorId }, tick()) };
}
const standsOn = async (donorId: string) =>
  (await donorsWithParts()).find(({ id }) => id === donorId)!.parts.map(({ restorationId }) => restorationId);

it('a part is taken for a restoration, whose log says where it came from, and for no other beside it', async () => {
  const { donorId, partId } = await cracked();
  const [one, other] = [await trialRestoration(), await trialRestoration()];
  await takeDonorPart(partId, one.id, tick());
  expect(await standsOn(donorId)).toEqual([one.id]);
  expect((await logOf(one.id)).map(({ words }) => words)).toContain('From a donor: rubber foot, off Cracked slab.');
  await expect(takeDonorPart(partId, other.id, tick())).rejects.toThrow('taken already');
  await putDonorPartBack(partId, tick());
  expect(await standsOn(donorId)).toEqual([null]);
  expect((await logOf(one.id)).map(({ words }) => words)).toContain('Back on its donor: rubber foot, Cracked slab.');
  await expect(putDonorPartBack(partId, tick())).rejects.toThrow('sits on its donor');
  await takeDonorPart(partId, other.id, tick());
  expect(await standsOn(donorId)).toEqual([other.id]);
});

it('what was taken stays in the record: neither part nor donor is taken back, else both are, and come back', async () => {
  const { donorId, partId } = await cracked();
  const { id } = await trialRestoration();
  await takeDonorPart(partId, id, tick());
  await expect(takeThingBack('part of a donor', partId, tick())).rejects.toThrow('Put it back first');
  await expect(takeThingBack('donor', donorId, tick())).rejects.toThrow('stays in the record');
  await putDonorPartBack(partId, tick());
  const back = await takeThingBack('donor', donorId, tick());
  expect((await donorsWithParts()).map((donor) => donor.id)).not.toContain(donorId);
  await bringBack(back, tick());
  expect(await standsOn(donorId)).toEqual([null]);
  await takeThingBack('part of a donor', partId, tick());
  expect(await standsOn(donorId)).toEqual([]);
});

it('there is no part without its donor, and none for a restoration that is not there', async () => {
  const nowhere = '00000000-0000-4000-8000-000000000000';
  await expect(addDonorPart({ ...FOOT, donorId: nowhere }, tick())).rejects.toThrow();
  const { partId } = await cracked();
  await expect(takeDonorPart(partId, nowhere, tick())).rejects.toThrow();
});

it('a part is measured, and measured again: the colour before can be read in the log', async () => {
  const { donorId, partId } = await cracked();
  await setDonorPartColour(partId, [70, 1, 12], tick());
  const part = (await donorsWithParts()).find(({ id }) => id === donorId)!.parts[0]!;
  expect(part.lab).toEqual([70, 1, 12]);
  const [last] = (await logOf(null)).filter(({ words }) => words.startsWith('Measured: rubber foot'));
  expect(last!.words).toBe('Measured: rubber foot, on Cracked slab: L* 70.0, a* 1.0, b* 12.0.');
  expect(last!.data).toMatchObject({ before: FOOT.lab });
});
