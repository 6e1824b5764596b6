import { forFunctionTest, groupOf } from './forFunctionTest';

it('knows the group of a key by what is on it', () => {
  expect(['q', 'é', '7', 'space', 'shift l', 'left', '↓', 'f10', 'num 5', 'enter'].map(groupOf)).toEqual([
    'letters',
    'letters',
    'digits',
    'space and shift',
    'space and shift',
    'cursor keys',
    'cursor keys',
    'function keys',
    'number pad',
    null,
  ]);
});

it('says of the keyboard and of each tried group whether it works, and names what does not', () => {
  const keys = ['q', 'w', 'e', '1', '2', 'space', 'up', 'f1', 'enter'];
  const seen = { q: 'works', w: 'dead', '1': 'works', '2': 'works', space: 'stuck' } as const;
  expect(forFunctionTest('main', keys, seen)).toEqual({
    results: { main: 'faulty', letters: 'faulty', digits: 'works', 'space and shift': 'faulty' },
    words: {
      main: 'dead: w; stays on: space; 4 not tried',
      letters: 'dead: w; 1 not tried',
      'space and shift': 'stays on: space',
    },
  });
});

it('takes a place for no legend: f8 in the sixth row is no function key', () => {
  const keys = ['a1', 'a2', 'f7', 'f8', 'space'];
  const { results } = forFunctionTest('main', keys, { f8: 'dead', a1: 'works', space: 'works' });
  expect(results).toEqual({ main: 'faulty' });
});

it('says nothing of a keyboard that was not tried', () => {
  expect(forFunctionTest('main', ['q'], {})).toEqual({ results: {}, words: {} });
});
