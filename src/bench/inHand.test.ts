import { writeNote } from '@/work/notes';
import { openRestoration } from '@/work/restorations';
import { settleStage } from '@/work/stages';
import { takeOff } from '@/work/teardown';
import { freshFolder, removeFolders, trialRestoration, tick } from '@/work/trial';
import { inHand } from './inHand';

beforeAll(freshFolder);
afterAll(removeFolders);

it('is the restoration that was worked on last, at the stage that was worked on', async () => {
  expect(await inHand()).toBe('/');
  const { id: first } = await trialRestoration();
  expect(await inHand()).toBe(`/restorations/${first}/intake`);
  const { id: second } = await openRestoration(
    { title: 'Second', machine: '', source: '', pricePaidMinor: 0, condition: '' },
    tick(),
  );
  await takeOff({ restorationId: first, name: 'Lid', joint: 'clips', way: '', springs: '' }, tick());
  expect(await inHand()).toBe(`/restorations/${first}/teardown`);
  // Once that stage is settled, its next open one.
  await settleStage(first, 'teardown', 'done', null, tick());
  expect(await inHand()).toBe(`/restorations/${first}/intake`);
  await writeNote({ restorationId: second, stage: 'wash', words: 'soap', corrects: null }, tick());
  expect(await inHand()).toBe(`/restorations/${second}/wash`);
});
