import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { answerIn } from './answerIn';
import { arrived, keepHere, keepRaw } from './keep';
import { failedUnder, watchRequests } from './requests';
import { sendAll, sendOne, type Outcome } from './send';
import { allKept, keepIt, letGo, markRefused, onKept, type Kept } from './store';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;
const AT = Date.parse('2026-06-21T12:00:00Z');

const key = (digit: string) => digit.repeat(32);
const kept = (more: Partial<Kept> = {}): Kept => ({
  ...{ id: key('a'), at: AT, what: '“Write” on Wash', page: '/restorations/x/wash', url: '/restorations/x/wash' },
  ...{ headers: [['next-action', '40ab']], body: JSON.stringify([{ words: 'lid off', once: key('a') }]) },
  ...more,
});
const row = (answer: unknown) => `0:{"a":"$@1","b":"build"}\n1:${JSON.stringify(answer)}\n`;
const answers = (text: string, status = 200) =>
  jest.fn<ReturnType<typeof fetch>, Parameters<typeof fetch>>(() => Promise.resolve(new Response(text, { status })));
const away = () => Promise.reject(new TypeError('Failed to fetch'));

describe('what an answer holds', () => {
  it('is read from the second row of an action, and from the whole of a route', () => {
    expect(answerIn(row({ ok: true, value: 3 }))).toEqual({ ok: true, value: 3 });
    expect(answerIn(JSON.stringify({ ok: false, errors: [] }))).toEqual({ ok: false, errors: [] });
  });

  it('is nothing where it is no answer of Kvell’s', () => {
    for (const text of ['', '<html></html>', '1:{"ok":', '0:{"a":"$@1"}', 'null', '7', '{"a":1}'])
      expect(answerIn(text)).toBeUndefined();
    fc.assert(fc.property(fc.string(), (text) => answerIn(text) === undefined || text.includes('ok')));
  });
});

describe('sending what was kept', () => {
  it('tells how long ago it was typed, under its key, whatever else stands in it', async () => {
    const post = answers(row({ ok: true }));
    const deep = JSON.stringify(['id', { words: 'lid off', once: key('a'), drawn: { once: 'no key' } }]);
    expect(await sendOne(kept({ body: deep }), AT + 5 * MINUTE, post)).toEqual({ answer: { ok: true } });
    const [url, { method, body, headers }] = post.mock.calls[0] as [string, RequestInit];
    expect([url, method, headers]).toEqual(['/restorations/x/wash', 'POST', [['next-action', '40ab']]]);
    expect(JSON.parse(body as string)).toEqual([
      'id',
      { words: 'lid off', once: key('a'), drawn: { once: 'no key' }, typedAgoMs: 300_000 },
    ]);
  });

  it('sends a photograph as the form that it came from', async () => {
    const post = answers(JSON.stringify({ ok: true, value: { id: 'p' } }), 201);
    const file = new File([new Uint8Array([1, 2, 3])], 'lid.jpg', { type: 'image/jpeg' });
    const form = kept({
      url: '/api/photos',
      headers: [],
      body: [
        ['stage', 'wash'],
        ['photo', file],
      ],
    });
    expect(await sendOne(form, AT + MINUTE, post)).toEqual({ answer: { ok: true, value: { id: 'p' } } });
    const sent = post.mock.calls[0]![1]!.body as FormData;
    expect([sent.get('stage'), sent.get('typedAgoMs'), (sent.get('photo') as File).name]).toEqual([
      'wash',
      '60000',
      'lid.jpg',
    ]);
  });

  it.each<[string, 'away' | 'outside' | 'refused' | 'answered', typeof fetch]>([
    ['nobody there', 'away', away],
    ['a server that is just starting', 'away', answers('Bad gateway', 502)],
    ['one that lets this device in no more', 'outside', answers(JSON.stringify({ ok: false, errors: [] }), 401)],
    ['another build', 'refused', answers('Server action not found.', 404)],
    ['a refusal', 'answered', answers(row({ ok: false, errors: [{ field: 'words', message: 'Write a few words.' }] }))],
  ])('with %s it is %s', async (_, expected, post) => {
    const outcome = await sendOne(kept(), AT + MINUTE, post);
    if (expected === 'refused') expect(outcome).toEqual({ refused: [expect.stringMatching(/\w{4}/)] });
    else if (expected === 'answered') expect(outcome).toMatchObject({ answer: { ok: false } });
    else expect(outcome).toBe(expected);
  });

  it('does not send by itself what Kvell may have forgotten the key of, nor what was typed in the future', async () => {
    const post = answers(row({ ok: true }));
    expect(await sendOne(kept(), AT + 7 * DAY, post)).toEqual({ answer: { ok: true } });
    expect(await sendOne(kept(), AT + 7 * DAY + 1, post)).toHaveProperty('refused');
    expect(await sendOne(kept(), AT - MINUTE, post)).toEqual({ answer: { ok: true } });
    expect(await sendOne(kept(), AT - MINUTE - 1, post)).toHaveProperty('refused');
    expect(post).toHaveBeenCalledTimes(2);
  });

  it('goes in the order of typing, over what was refused, and stops where Kvell is away again', async () => {
    const [one, two, three, four] = ['1', '2', '3', '4'].map((n) => kept({ id: n, url: `/${n}` })) as [
      Kept,
      Kept,
      Kept,
      Kept,
    ];
    const told: string[] = [];
    const post = jest.fn((url: Parameters<typeof fetch>[0]) =>
      url === '/3'
        ? away()
        : Promise.resolve(new Response(row(url === '/1' ? { ok: false, errors: [] } : { ok: true }))),
    );
    const note = (of: Kept, outcome: Outcome) =>
      Promise.resolve(
        void told.push(
          `${of.id} ${typeof outcome === 'string' ? outcome : 'answer' in outcome && outcome.answer.ok ? 'taken' : 'refused'}`,
        ),
      );
    await sendAll([one, kept({ refused: ['no'] }), two, three, four], post, note, () => AT);
    expect(told).toEqual(['1 refused', '2 taken', '3 away']);
  });
});

it('what is kept stays in the order of typing, is replaced under its key, marked, and let go', async () => {
  const told = jest.fn();
  const stop = onKept(told);
  await keepIt(kept({ id: key('b'), at: AT + 2 }));
  await keepIt(kept({ id: key('a'), at: AT + 1 }));
  await keepIt(kept({ id: key('b'), at: AT + 2, what: 'again' }));
  expect((await allKept()).map(({ id, what }) => [id[0], what])).toEqual([
    ['a', '“Write” on Wash'],
    ['b', 'again'],
  ]);
  await markRefused(key('a'), ['Write a few words.']);
  expect((await allKept())[0]!.refused).toEqual(['Write a few words.']);
  await markRefused(key('a'), undefined);
  expect((await allKept())[0]!.refused).toBeUndefined();
  for (const { id } of await allKept()) await letGo(id);
  // Marked by a page that did not know that it is gone: it does not come back.
  await markRefused(key('a'), ['late']);
  expect(await allKept()).toEqual([]);
  expect(told).toHaveBeenCalledTimes(7);
  stop();
});

it('an action with a key that never arrived can be kept; one that was stopped, was answered or has no key cannot', async () => {
  let fail: Error | null = null;
  const plain = jest.fn(() => (fail ? Promise.reject(fail) : Promise.resolve(new Response('1:{}'))));
  Object.assign(globalThis, { window: globalThis, fetch: plain });
  watchRequests();
  watchRequests();
  const call = (once: string, headers: Record<string, string> = { 'next-action': '40ab' }) =>
    fetch('/wash', { method: 'POST', headers, body: JSON.stringify([{ words: 'x', once }]) }).catch(
      (failure: unknown) => failure,
    );
  await call(key('1'));
  expect(plain).toHaveBeenCalledTimes(1);
  fail = new TypeError('Failed to fetch');
  // The page is told all the same.
  expect(await call(key('2'))).toBe(fail);
  await call(key('3'), {});
  await call('none');
  fail = new DOMException('Stopped', 'AbortError') as unknown as Error;
  await call(key('4'));
  expect(['1', '3', '4'].map((digit) => failedUnder(key(digit)))).toEqual([undefined, undefined, undefined]);
  expect(failedUnder(key('2'))).toEqual({
    url: '/wash',
    headers: expect.arrayContaining([['next-action', '40ab']]) as unknown,
    body: JSON.stringify([{ words: 'x', once: key('2') }]),
  });
  fail = new TypeError('Failed to fetch');
  for (let i = 0; i < 20; i++) await call(i.toString(16).padStart(32, '5'));
  expect(failedUnder(key('2'))).toBeUndefined();
});

it('an answer that comes late is told to whoever sent it, once, as long as its page is open', async () => {
  const told = jest.fn();
  Object.assign(globalThis, { location: { pathname: '/wash', search: '' } });
  expect(await keepRaw(key('7'), { url: '/', headers: [], body: '[]' }, { what: 'x' }, told)).toBe(false);
  arrived(key('7'), { ok: true });
  expect(told).not.toHaveBeenCalled();
  keepHere(() => Promise.resolve());
  expect(await keepRaw(key('7'), { url: '/', headers: [], body: '[]' }, { what: 'x' }, told)).toBe(true);
  arrived(key('8'), { ok: true });
  arrived(key('7'), { ok: true, value: 3 });
  arrived(key('7'), { ok: true, value: 3 });
  expect(told.mock.calls).toEqual([[{ ok: true, value: 3 }]]);
});
