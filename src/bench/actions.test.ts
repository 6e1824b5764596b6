import { runningTimers } from '@/data/timers';
import { inTrialWorkshop, trialPiece } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import { endOwnTimer, search, startOwnTimer } from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const SOAK = { label: 'caps soaking', minutes: '15', atTheBell: 'rinse', of: '' };

it('a soak runs for its minutes and ends once', async () => {
  expect(wrongs(await startOwnTimer(SOAK))).toBe('');
  const [timer] = await runningTimers();
  expect(Date.parse(timer!.dueAt) - Date.parse(timer!.startedAt)).toBe(15 * 60_000);
  expect(wrongs(await endOwnTimer(timer!.id))).toBe('');
  expect(wrongs(await endOwnTimer(timer!.id))).toBe('');
  expect(await runningTimers()).toEqual([]);
  expect(wrongs(await endOwnTimer('nowhere'))).toMatch(/timer is not here any more/);
});

it('refuses a soak of no time, of for ever, or of nothing', async () => {
  expect(wrongs(await startOwnTimer({ ...SOAK, minutes: '0' }))).toMatch(/minutes: /);
  expect(wrongs(await startOwnTimer({ ...SOAK, minutes: '99999' }))).toMatch(/minutes: /);
  expect(wrongs(await startOwnTimer({ ...SOAK, label: '' }))).toMatch(/label: .*what runs/i);
});

it('finds pieces, stages, sums and places by any of their words', async () => {
  const piece = await trialPiece({ tag: 'Q7', name: 'Slot cover' });
  expect((await search('slot q7'))[0]).toEqual({
    href: `/restorations/${piece.restorationId}/pieces/${piece.id}`,
    title: 'Q7 Slot cover, Trial machine',
    kind: 'piece',
  });
  expect((await search('dilution')).map(({ kind }) => kind)).toContain('sum');
  expect((await search('stores')).map(({ href }) => href)).toContain('/stores');
  expect(await search('no such thing anywhere')).toEqual([]);
});
