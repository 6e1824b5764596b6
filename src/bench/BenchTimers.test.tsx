/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen } from '@testing-library/react';
import type { NamedTimer } from '@/data/timers';
import { deviceTime } from '@/ui/clock';
import { system } from '@/ui/theme';
import { endOwnTimer } from './actions';
import { BenchTimers } from './BenchTimers';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {}, push: () => {} }) }));
jest.mock('./actions', () => ({ endOwnTimer: jest.fn(() => Promise.resolve({ ok: true, value: undefined })) }));

const soon = (minutes: number) => new Date(deviceTime().getTime() + minutes * 60_000).toISOString();
const timer = (given: Partial<NamedTimer>): NamedTimer => ({
  id: 't',
  machine: 'Trial',
  kind: 'other',
  restorationId: 'r',
  pieceId: 'p',
  sessionId: null,
  repairId: null,
  label: 'K1 Lid: soaking',
  atTheBell: 'Rinse it.',
  startedAt: soon(-60),
  dueAt: soon(60),
  remindEveryMin: null,
  nextReminderAt: null,
  endedAt: null,
  plannedSchool: null,
  plannedTo: null,
  ...given,
});
const lay = (timers: NamedTimer[], more = 0) =>
  render(
    <ChakraProvider value={system}>
      <BenchTimers timers={timers} more={more} things={[]} />
    </ChakraProvider>,
  );

it('counts down, and at the bell says what to do', () => {
  lay([timer({}), timer({ id: 'over', label: 'K2 Caps: soaking', dueAt: soon(-1) })]);
  expect(screen.getByText(/^(1:00:0\d|5\d:\d\d)$/)).toBeTruthy();
  expect(screen.getAllByText(/Rinse it\./)).toHaveLength(2);
  expect(screen.getAllByRole('button', { name: 'End' })).toHaveLength(2);
});

it('leads to the piece of a session, cancels a planned one, and ends a timer once', async () => {
  lay([
    timer({ id: 'lit', sessionId: 's' }),
    timer({ id: 'planned', plannedTo: soon(180), plannedSchool: 'bag-sun' as never }),
  ]);
  expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual([
    '/restorations/r/brighten?piece=p',
    '/restorations/r/brighten/plan?piece=p',
  ]);
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Cancel it' }));
    await Promise.resolve();
  });
  expect(endOwnTimer).toHaveBeenCalledTimes(1);
  expect(endOwnTimer).toHaveBeenCalledWith('planned');
});

it('says how many more there are, and what to do where nothing runs', () => {
  const { unmount } = lay([timer({})], 3);
  expect(screen.getByRole('link', { name: '3 more ring later: show all' })).toBeTruthy();
  unmount();
  lay([]);
  expect(screen.getByText(/Nothing runs/)).toBeTruthy();
});
