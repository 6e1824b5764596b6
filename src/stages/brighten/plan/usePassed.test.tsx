/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { Gate } from '@/core/session/gates';
import type { SchoolId } from '@/core/session/schools';
import { usePassed } from './usePassed';

const TRIED: Gate = { id: 'test-piece', words: 'A less important piece came through this way' };
const COVERED: Gate = { id: 'marks', words: 'Covered from cream and light' };
interface Plan {
  gates: Gate[];
  school: SchoolId;
}
const CREAM: Plan = { gates: [TRIED, COVERED], school: 'cream-film-sun' };

const passing = () => {
  const { result, rerender } = renderHook(({ gates, school }: Plan) => usePassed(gates, school), {
    initialProps: CREAM,
  });
  return {
    passed: () => result.current.passed,
    say: (id: Gate['id'], is: boolean) => act(() => result.current.onChange(id, is)),
    rerender,
  };
};

it('what was said of one way is to be said of another anew, and holds when one comes back to the first', () => {
  const { passed, say, rerender } = passing();
  say('test-piece', true);
  expect(passed()).toEqual(['test-piece']);
  rerender({ ...CREAM, school: 'bath-lamp' });
  expect(passed()).toEqual([]);
  rerender(CREAM);
  expect(passed()).toEqual(['test-piece']);
});

it('what asks for something else is asked anew, and a tick can be taken away', () => {
  const { passed, say, rerender } = passing();
  say('marks', true);
  say('test-piece', true);
  rerender({ ...CREAM, gates: [TRIED, { id: 'marks', words: 'Covered from cream and light: stripe too' }] });
  expect(passed()).toEqual(['test-piece']);
  say('test-piece', false);
  expect(passed()).toEqual([]);
});
