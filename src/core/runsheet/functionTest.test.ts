import { compareTests, TEST_ITEMS, testState, type TestResults } from './functionTest';

const all = (state: TestResults['letters']): TestResults => Object.fromEntries(TEST_ITEMS.map((item) => [item, state])) as TestResults;

it('shows what was lost and what was won between the tests', () => {
  const compared = compareTests([
    { phase: 'before', results: { ...all('works'), letters: 'faulty', lamps: 'not tried' }, waivedWhy: null },
    { phase: 'before closing', results: { ...all('works'), sound: 'faulty' }, waivedWhy: null },
  ]);
  const of = (item: string) => compared.find((c) => c.item === item)!;
  expect(of('letters')).toEqual({ item: 'letters', states: { before: 'faulty', 'before closing': 'works' }, change: 'won' });
  expect(of('sound').change).toBe('lost');
  expect(of('display').change).toBe('same');
  expect(of('lamps').change).toBe('same');
});

it('takes the newest test of a phase that tried something', () => {
  const [display] = compareTests([
    { phase: 'after', results: all('faulty'), waivedWhy: null },
    { phase: 'after', results: all('works'), waivedWhy: null },
    { phase: 'before', results: all('not tried'), waivedWhy: 'no supply' },
  ]);
  expect(display!.states).toEqual({ after: 'works' });
});

it('lets the case be closed when something was tried and nothing is faulty, or with a reason', () => {
  const test = (results: TestResults, waivedWhy: string | null = null) => testState({ results, waivedWhy });
  expect(testState(undefined)).toBe('not made');
  expect(test(all('not tried'))).toBe('nothing tried');
  expect(test({ ...all('not there'), letters: 'works' })).toBe('passed');
  expect(test({ ...all('works'), drives: 'faulty', lamps: 'faulty' })).toEqual({ faulty: ['drives', 'lamps'] });
  expect(test({ ...all('works'), drives: 'faulty' }, 'no drive of that kind is to be had')).toBe('waived');
});
