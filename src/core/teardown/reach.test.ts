import { maybeOutOfReach } from './reach';

const step = (id: string, joint: 'screws' | 'clips' | 'laid in' = 'laid in') => ({ id, name: id, joint });
const OFF = [
  step('lid screws', 'screws'),
  step('rod'),
  step('inner shield'),
  step('outer shield', 'clips'),
  step('sheet'),
];
const ids = (steps: { id: string }[]) => steps.map(({ id }) => id);

it('asks about what came off before, the nearest first', () => {
  expect(ids(maybeOutOfReach(OFF[3]!, OFF, []))).toEqual(['inner shield', 'rod', 'lid screws']);
  expect(maybeOutOfReach(OFF[1]!, OFF, [])).toEqual([OFF[0]]);
});

it('asks nothing of a screw or a plug, nothing at the first step, and nothing twice', () => {
  expect(maybeOutOfReach(OFF[0]!, OFF, [])).toEqual([]);
  expect(maybeOutOfReach(step('new screws', 'screws'), [...OFF, step('new screws', 'screws')], [])).toEqual([]);
  expect(ids(maybeOutOfReach(OFF[3]!, OFF, [{ firstId: 'inner shield', thenId: 'outer shield' }]))).toEqual([
    'rod',
    'lid screws',
  ]);
  expect(ids(maybeOutOfReach(OFF[3]!, OFF, [{ firstId: 'outer shield', thenId: 'rod' }]))).toEqual([
    'inner shield',
    'lid screws',
  ]);
});
