import {
  beginWith,
  compareTests,
  foundWords,
  kindOf,
  partOf,
  TEST_ITEMS,
  testState,
  type TestResults,
  type TestState,
} from './functionTest';

const all = (state: TestState): TestResults => Object.fromEntries(TEST_ITEMS.map((item) => [item, state]));
const test = (
  phase: 'before' | 'before closing' | 'after',
  results: TestResults,
  waivedWhy: string | null = null,
  words = {},
) => ({
  phase,
  results,
  words,
  waivedWhy,
});

it('shows what was lost and what was won between the tests', () => {
  const compared = compareTests([
    test('before', { ...all('works'), letters: 'faulty', lamps: 'not tried', drives: 'now and then' }),
    test('before closing', { ...all('works'), sound: 'faulty', ports: 'now and then', 'tape port': 'works' }, null, {
      sound: 'hums',
    }),
  ]);
  const of = (item: string) => compared.find((c) => c.item === item)!;
  expect(of('letters')).toEqual({
    item: 'letters',
    states: { before: 'faulty', 'before closing': 'works' },
    words: '',
    change: 'won',
  });
  expect(of('sound')).toMatchObject({ change: 'lost', words: 'hums' });
  expect(of('ports').change).toBe('lost');
  expect(of('drives').change).toBe('won');
  expect(of('display').change).toBe('same');
  expect(of('lamps').change).toBe('same');
  expect(of('tape port').states).toEqual({ before: 'not tried', 'before closing': 'works' });
});

it('takes the newest test of a phase that tried something', () => {
  const [display] = compareTests([
    test('after', all('faulty')),
    test('after', all('works')),
    test('before', all('not tried'), 'no supply'),
  ]);
  expect(display!.states).toEqual({ after: 'works' });
});

it('lets the case be closed when something was tried and nothing is faulty, or with a reason', () => {
  const state = (results: TestResults, waivedWhy: string | null = null) => testState({ results, waivedWhy });
  expect(testState(undefined)).toBe('not made');
  expect(state(all('not tried'))).toBe('nothing tried');
  expect(state({ ...all('not there'), letters: 'works' })).toBe('passed');
  expect(state({ ...all('works'), drives: 'faulty', lamps: 'now and then' })).toEqual({ faulty: ['drives', 'lamps'] });
  expect(state({ ...all('works'), drives: 'faulty' }, 'no drive of that kind is to be had')).toBe('waived');
});

it('says “nothing faulty” only of what was tried', () => {
  expect(foundWords({ results: all('not tried'), words: {} })).toBe('nothing was tried');
  expect(foundWords({ results: { ...all('not tried'), letters: 'works', sound: 'works' }, words: {} })).toBe(
    'nothing faulty of 2 tried',
  );
  expect(foundWords({ results: { letters: 'faulty', sound: 'now and then' }, words: { letters: 'lower row' } })).toBe(
    'faulty: letters (lower row); now and then: sound',
  );
});

it('begins with what the last test said, own items and words too', () => {
  expect(beginWith([])).toEqual({ results: all('not tried'), words: {} });
  const last = test('before', { ...all('works'), 'tape port': 'faulty' }, null, { 'tape port': 'no click' });
  expect(beginWith([test('before', all('faulty')), last])).toEqual({ results: last.results, words: last.words });
});

it('a fault is a finding on the part that it is of', () => {
  expect(['letters', 'display', 'switches', 'tape port'].map(partOf)).toEqual([
    'keys',
    'display',
    'switch or socket',
    'board',
  ]);
  expect([kindOf('faulty'), kindOf('now and then')]).toEqual(['dead', 'works now and then']);
});
