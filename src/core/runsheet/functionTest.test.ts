import { compareTests, TEST_ITEMS, type TestResults } from './functionTest';

const all = (state: TestResults['keys']): TestResults => Object.fromEntries(TEST_ITEMS.map((item) => [item, state])) as TestResults;

it('shows what was lost and what was won between the tests', () => {
  const compared = compareTests([
    { phase: 'before', results: { ...all('works'), keys: 'faulty', lamps: 'not tried' }, waivedWhy: null },
    { phase: 'before closing', results: { ...all('works'), sound: 'faulty' }, waivedWhy: null },
  ]);
  const of = (item: string) => compared.find((c) => c.item === item)!;
  expect(of('keys')).toEqual({ item: 'keys', states: { before: 'faulty', 'before closing': 'works' }, change: 'won' });
  expect(of('sound').change).toBe('lost');
  expect(of('display').change).toBe('same');
  expect(of('lamps').change).toBe('same');
});

it('takes the newest test of a phase, and none that was waived', () => {
  const [display] = compareTests([
    { phase: 'after', results: all('faulty'), waivedWhy: null },
    { phase: 'after', results: all('works'), waivedWhy: null },
    { phase: 'before', results: all('not tried'), waivedWhy: 'no supply' },
  ]);
  expect(display!.states).toEqual({ after: 'works' });
});
