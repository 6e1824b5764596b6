import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { logOf } from '@/data/log';
import { writeNote } from '@/work/notes';
import { findRows } from '@/data/table';
import { inTrialWorkshop, tick, trialRestoration } from '@/work/trial';
import { clock } from './clock';
import { write, writeOver } from './write';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const schema = Joi.object<{ words: string }>({ words: Joi.string().required() });
const key = (digit: string) => digit.repeat(32);
const notes = async (restorationId: string) =>
  (await logOf(restorationId)).filter(({ kind }) => kind === 'note').map(({ words }) => words);

it('what is sent twice under its key is done once, at once or later, and answered the same', async () => {
  const { id } = await trialRestoration();
  const send = (once: unknown, words = 'lid off') =>
    write(schema, { words, once }, async (given, now) => {
      await writeNote({ restorationId: id, stage: 'wash', words: given.words, corrects: null }, now);
      return (await notes(id)).length;
    });
  const both = await Promise.all([send(key('a')), send(key('a'))]);
  expect([...both, await send(key('a'))]).toEqual(Array.from({ length: 3 }, () => ({ ok: true, value: 1 })));
  expect(await notes(id)).toEqual(['lid off']);
  await send(key('b'));
  // Without a key of a page, each is another.
  for (const once of [undefined, '', 'x', 7]) await send(once);
  expect(await notes(id)).toHaveLength(6);
});

it('what was refused is not kept: put right, it is done under the same key', async () => {
  const { id } = await trialRestoration();
  let refuses = true;
  const send = () =>
    write(schema, { words: 'base off', once: key('c') }, async (given, now) => {
      await writeNote({ restorationId: id, stage: 'wash', words: given.words, corrects: null }, now);
      if (refuses) throw new Refusal('words', 'Not yet.');
      return null;
    });
  expect((await send()).ok).toBe(false);
  expect(await notes(id)).toEqual([]);
  refuses = false;
  expect((await send()).ok).toBe(true);
  expect(await notes(id)).toEqual(['base off']);
});

it('an answer is kept for a week', async () => {
  await write(schema, { words: 'x', once: key('d') }, () => Promise.resolve(1));
  const [kept] = await findRows('answered', { id: key('d') });
  expect(kept!.value).toBe(1);
  expect(Date.parse(kept!.at)).toBeLessThanOrEqual(tick().getTime() + 86_400_000);
});

it('what a device kept while Kvell was away is written as of when it was typed, if that can be', async () => {
  const before = clock().getTime();
  const ago = async (typedAgoMs: unknown, once: string) => {
    const answer = await write(schema, { words: 'x', once, typedAgoMs }, (_, now) => Promise.resolve(now.getTime()));
    if (!answer.ok) throw new Error('refused');
    return Math.round((before - answer.value) / 60_000) || 0;
  };
  const week = 7 * 86_400_000;
  expect(await ago(90 * 60_000, key('1'))).toBe(90);
  expect(await ago(week, key('2'))).toBe(week / 60_000);
  // No age of what a device keeps: then it is of now.
  for (const [i, none] of [week + 60_000, -60_000, 'long', null, {}, Infinity, NaN].entries())
    expect(await ago(none, `${i}`.padStart(32, 'e'))).toBe(0);
});

it('a stale page wipes nothing: what it did not touch is as it stands, and what both changed is asked about once', async () => {
  const labelled = Joi.object<{ labels: string; metal: string }>({
    labels: Joi.string().allow('').required(),
    metal: Joi.string().allow('').required(),
  });
  const drawn = { labels: '', metal: '' };
  let row = { labels: '', metal: '' };
  const save = (typed: typeof row, drawnWith: object = drawn) =>
    writeOver(
      labelled,
      { ...typed, drawn: drawnWith, once: '' },
      () => Promise.resolve(row),
      (given) => {
        row = given;
        return Promise.resolve(null);
      },
    );
  expect(await save({ labels: '', metal: 'spring plate' })).toEqual({ ok: true, value: null });
  expect(await save({ labels: 'serial, underside', metal: '' })).toEqual({ ok: true, value: null });
  expect(row).toEqual({ labels: 'serial, underside', metal: 'spring plate' });
  const meets = await save({ labels: 'serial, inside', metal: '' });
  expect(meets).toMatchObject({ ok: false, errors: [{ field: 'labels', stands: 'serial, underside' }] });
  expect(row.labels).toBe('serial, underside');
  expect((await save({ labels: 'serial, inside', metal: '' }, { ...drawn, labels: 'serial, underside' })).ok).toBe(
    true,
  );
  expect(row).toEqual({ labels: 'serial, inside', metal: 'spring plate' });
});
