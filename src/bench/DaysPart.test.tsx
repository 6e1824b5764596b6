/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { system } from '@/ui/theme';
import { DaysPart } from './DaysPart';
import { planWithNames } from './plan.testing';
import type { Beyond } from './strip';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {}, push: () => {} }) }));
jest.mock('./planActions', () => ({ freeTask: jest.fn(), pinTask: jest.fn() }));

/** A page is narrow here, and what is for a wide one is not shown. */
const WIDE = { hidden: true };
const DAY = {
  ...{ day: '2026-06-22', start: '2026-06-22T00:00:00.000Z', end: '2026-06-23T00:00:00.000Z' },
  ...{ samples: [], clouds: [] },
};
const task = { ...planWithNames('Mend'), from: '2026-06-22T10:00:00.000Z', to: '2026-06-22T11:00:00.000Z' };
const PLAN = {
  ...{ number: 1, at: DAY.start, tasks: [task], moved: null, leftOut: [], moreLeftOut: 0 },
  ...{ unpinned: [], moreUnpinned: 0, ready: [], runs: null, machines: 1, people: [] },
};
type CostOfMove = React.ComponentProps<typeof DaysPart>['costOfMove'];
const cost = (moved: number): Awaited<ReturnType<CostOfMove>> => ({
  ok: true,
  value: { laterMin: [{ title: 'Slab', min: 90 }], moreLater: 4, moved, impossible: false },
});

function lay(costOfMove: CostOfMove, whole = false, beyond: Beyond = { machines: 0, places: 0, listed: 0 }) {
  jest.useFakeTimers();
  render(
    <ChakraProvider value={system}>
      <DaysPart plan={PLAN} days={[DAY]} timeZone="UTC" page={2} beyond={[beyond]} {...{ whole, costOfMove }} />
    </ChakraProvider>,
  );
  const bar = screen.getByRole('button', { name: /^Mend, Machine/, ...WIDE });
  return {
    right: () => fireEvent.keyDown(bar, { key: 'ArrowRight' }),
    rest: () => act(() => jest.advanceTimersByTimeAsync(250)),
  };
}
const line = () => screen.getByText(/^Mend$/, { selector: 'b' }).parentElement!.textContent;

afterEach(() => jest.useRealTimers());

it('asks what a move costs once the finger rests, one question at a time, and tells the last', async () => {
  const answers: ((answer: Awaited<ReturnType<CostOfMove>>) => void)[] = [];
  const asked: unknown[] = [];
  const { right, rest } = lay((given) => {
    asked.push(given.startAt);
    return new Promise((answer) => answers.push(answer));
  });
  right();
  right();
  await rest();
  expect(asked).toEqual(['2026-06-22T10:30:00.000Z']);
  expect(line()).toBe('Mend at Mon 10:30: working out what that costs');
  right();
  await rest();
  right();
  await rest();
  expect(asked).toHaveLength(1);
  await act(async () => {
    answers[0]!(cost(1));
    await Promise.resolve();
  });
  expect(asked).toEqual(['2026-06-22T10:30:00.000Z', '2026-06-22T11:00:00.000Z']);
  expect(line()).toBe('Mend at Mon 11:00: working out what that costs');
  await act(async () => {
    answers[1]!(cost(2));
    await Promise.resolve();
  });
  expect(line()).toBe('Mend at Mon 11:00: Slab 1 h 30 min later, 4 more machines by less; 2 other tasks move.');
  expect(asked).toHaveLength(2);
});

it('says why a cost is not known, whether it was refused or Kvell was not reached, and asks again after it', async () => {
  const answers: (() => ReturnType<CostOfMove>)[] = [
    () => Promise.resolve({ ok: false, errors: [{ message: 'Too much is being made just now.' }] }),
    () => Promise.reject(new Error('away')),
    () => Promise.resolve(cost(0)),
  ];
  const { right, rest } = lay(() => answers.shift()!());
  right();
  await rest();
  expect(line()).toBe('Mend at Mon 10:15: Too much is being made just now.');
  right();
  await rest();
  expect(line()).toMatch(/Kvell was not reached/);
  right();
  await rest();
  expect(line()).toMatch(/nothing else moves\.$/);
});

it('says how much more the days hold, each way of looking by its own count, and leads there and back', () => {
  lay(() => Promise.resolve(cost(0)), false, { machines: 12, places: 30, listed: 7 });
  const more = (name: string) => screen.getByRole('link', { name, ...WIDE }).getAttribute('href');
  expect(more('Show up to 12 more machines a day')).toBe('/plan?page=2&whole=1');
  expect(more('Show 7 more of this day')).toBe('/plan?page=2&whole=1');
  fireEvent.click(screen.getByRole('button', { name: 'By hands and places', ...WIDE }));
  expect(more('Show up to 30 more tasks a day')).toBe('/plan?page=2&whole=1');
});

it('whole, it leads back to less', () => {
  lay(() => Promise.resolve(cost(0)), true);
  expect(screen.getAllByRole('link', { name: 'Show less', ...WIDE }).map((link) => link.getAttribute('href'))).toEqual([
    '/plan?page=2',
    '/plan?page=2',
  ]);
});
