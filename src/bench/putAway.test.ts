import { findAnything } from './find';
import { nextSteps } from './nextSteps';
import { awayOf } from '@/data/putAway';
import { bringOut, putAway } from '@/work/restorations';
import { database } from '@/data/connection';
import { listRestorations, restorationsPage } from '@/data/restorations';
import { nextTimers } from '@/data/timers';
import { startTimer } from '@/work/timers';
import { inMinutes, inTrialWorkshop, tick, trialPiece, trialRestoration } from '@/work/trial';

inTrialWorkshop();

const titles = async (shown: 'all' | 'put away') =>
  (await restorationsPage(shown, '', 0, 20)).restorations.map(({ id }) => id);

it('what is put away stands in no list, search, bench or bell, and comes out again whole', async () => {
  const [one, other] = [await trialRestoration(), await trialRestoration()];
  const timer = { restorationId: one.id, pieceId: null, label: 'soak', atTheBell: '', minutes: 5 };
  await startTimer(timer, tick());
  await startTimer({ ...timer, restorationId: other.id, label: 'rinse' }, tick());
  const seen = async () => ({
    listed: await titles('all'),
    found: (await findAnything('trial'))
      .filter(({ kind }) => kind === 'restoration')
      .map(({ href }) => href.slice(-36)),
    bench: (await nextSteps(inMinutes(1))).steps.map(({ href }) => href.slice(14, 50)),
    bells: (await nextTimers(9)).timers.map(({ restorationId }) => restorationId),
    unshown: (await nextTimers(1)).more,
  });
  const before = await seen();
  expect(before.listed.sort()).toEqual([one.id, other.id].sort());
  expect([before.found.includes(one.id), before.bench.includes(one.id), before.bells]).toEqual([
    true,
    true,
    [one.id, other.id],
  ]);
  expect(before.unshown).toBe(1);
  await putAway(one.id, tick());
  await putAway(one.id, tick());
  expect(await seen()).toEqual({
    listed: [other.id],
    found: [other.id],
    bench: [other.id],
    bells: [other.id],
    unshown: 0,
  });
  expect([await titles('put away'), (await awayOf(one.id)) !== null]).toEqual([[one.id], true]);
  await bringOut(one.id, tick());
  const after = await seen();
  expect([after.listed.length, after.bells, after.unshown]).toEqual([2, [one.id, other.id], 1]);
  await expect(putAway('nowhere', tick())).rejects.toThrow('not here any more');
});

it('one that cannot be shown leaves the bench and the list to the others, is named there, and can be put away', async () => {
  const write = jest.spyOn(process.stderr, 'write').mockImplementation(() => true);
  const sound = await trialPiece();
  const { restorationId } = await trialPiece();
  const { sequelize } = await database();
  await sequelize.query(`UPDATE pieces SET surfaces = 'not json' WHERE restorationId = :restorationId`, {
    replacements: { restorationId },
  });
  await sequelize.query(`UPDATE restorations SET allowed = '{' WHERE id = :restorationId`, {
    replacements: { restorationId },
  });
  await expect(listRestorations()).rejects.toThrow();
  const { steps } = await nextSteps(tick());
  expect(steps.filter(({ href }) => href.includes(restorationId))).toMatchObject([
    { verb: 'Look what is wrong with it' },
  ]);
  expect(steps.some(({ href }) => href.includes(sound.restorationId))).toBe(true);
  expect(await titles('all')).toEqual(expect.arrayContaining([restorationId, sound.restorationId]));
  await putAway(restorationId, tick());
  expect((await nextSteps(tick())).steps.some(({ href }) => href.includes(restorationId))).toBe(false);
  write.mockRestore();
});
