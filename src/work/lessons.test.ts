import { logOf } from '@/data/log';
import { findWords } from '@/data/found';
import { dropLesson, keepLesson, lessonsAt, lessonsPage, sayItHeld } from './lessons';
import { inTrialWorkshop, tick, trialPiece, trialRestoration } from './trial';

inTrialWorkshop();

it('what was learnt on one machine comes up at the same step of the next, and whether it held is counted once a machine', async () => {
  const first = await trialRestoration();
  await trialPiece({ restorationId: first.id });
  await keepLesson(
    { restorationId: first.id, stage: 'brighten', about: '', came: 'helped', words: 'film smooth from the middle' },
    tick(),
  );
  await keepLesson(
    {
      restorationId: first.id,
      stage: 'teardown',
      about: 'ribbon',
      came: 'went wrong',
      words: 'look for the sliding bar',
    },
    tick(),
  );
  await expect(
    keepLesson(
      { restorationId: null, stage: 'brighten', about: '', came: 'helped', words: 'film smooth from the middle' },
      tick(),
    ),
  ).rejects.toThrow(/kept already/);
  const next = await trialRestoration();
  const [rule] = await lessonsAt(next.id, 'brighten');
  expect(rule).toMatchObject({ words: 'film smooth from the middle', here: false, held: 0, saidHere: null });
  // There is no ribbon on this one.
  expect(await lessonsAt(next.id, 'teardown')).toEqual([]);
  await sayItHeld(rule!.id, next.id, false, tick());
  await sayItHeld(rule!.id, next.id, true, tick());
  const third = await trialRestoration();
  await sayItHeld(rule!.id, third.id, false, tick());
  expect((await lessonsAt(next.id, 'brighten'))[0]).toMatchObject({ held: 1, failed: 1, saidHere: true });
  expect((await lessonsAt(third.id, 'brighten'))[0]).toMatchObject({ saidHere: false });
  expect((await logOf(next.id)).map(({ words }) => words)).toContain('The rule “film smooth from the middle” held.');
  await dropLesson(rule!.id, false, tick());
  expect(await lessonsAt(next.id, 'brighten')).toEqual([]);
  expect((await lessonsPage({ here: null, dropped: true, count: 9 })).lessons.map(({ id }) => id)).toEqual([rule!.id]);
  await dropLesson(rule!.id, true, tick());
  expect(await lessonsAt(next.id, 'brighten')).toHaveLength(1);
  expect((await findWords('sliding bar', { kind: 'lessons', most: 5 })).length).toBe(1);
});

it('tells rules page by page, the newest first, and how many there are in all', async () => {
  const words = ['one', 'two', 'three', 'four', 'five'];
  for (const rule of words)
    await keepLesson({ restorationId: null, stage: 'keys', about: '', came: 'helped', words: rule }, tick());
  const { lessons } = await lessonsPage({ here: null, stage: 'keys', count: 9 });
  await dropLesson(lessons[0]!.id, false, tick());
  const pages = await Promise.all([0, 3].map((from) => lessonsPage({ here: null, stage: 'keys', from, count: 3 })));
  expect(pages.map(({ lessons: on }) => on.map(({ words: rule }) => rule))).toEqual([
    ['four', 'three', 'two'],
    ['one'],
  ]);
  expect(pages.map(({ all }) => all)).toEqual([4, 4]);
  expect(await lessonsPage({ here: null, stage: 'keys', from: 9, count: 3 })).toEqual({ lessons: [], all: 4 });
});
