/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { render, screen, within } from '@testing-library/react';
import { system } from '@/ui/theme';
import { planWithNames } from './plan.testing';
import { TasksPart } from './TasksPart';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {}, push: () => {} }) }));
jest.mock('./planActions', () => ({}));

const task = { ...planWithNames('Mend'), from: '2026-06-22T10:00:00.000Z', to: '2026-06-22T11:00:00.000Z' };
const PLAN = {
  ...{ number: 1, at: '2026-06-22T00:00:00.000Z', tasks: [task], moved: null },
  ...{ leftOut: [], moreLeftOut: 0, unpinned: [], moreUnpinned: 0, ready: [], machines: 1, runs: null, people: [] },
};
const MACHINES = [
  { value: 'a', label: 'Slab' },
  { value: 'b', label: 'Desk' },
];
type Choice = React.ComponentProps<typeof TasksPart>['choice'];

const lay = (choice: Choice, machines = MACHINES, [before, of] = [0, 1]) =>
  render(
    <ChakraProvider value={system}>
      <TasksPart plan={PLAN} timeZone="UTC" machine="" done={[]} dropped={[]} {...{ choice, machines, before, of }}>
        <p>the others</p>
      </TasksPart>
    </ChakraProvider>,
  );

it('lets a machine be chosen from a list as long as all stand in it', () => {
  lay({ named: '', all: 2, isShort: false });
  const choice = screen.getByRole('combobox', { name: 'Tasks of' });
  expect(
    within(choice)
      .getAllByRole('option')
      .map(({ textContent }) => textContent),
  ).toEqual(['all machines', 'Slab', 'Desk']);
  expect(screen.queryByLabelText(/^Find a machine/)).toBeNull();
});

it.each([
  [{ named: '', all: 753, isShort: true }, '753 open machines; those that were worked on last stand in the list'],
  [
    { named: 'Slab', all: 90, isShort: true },
    '90 open machines are called so; those that were worked on last stand in the list',
  ],
  [{ named: 'Slab', all: 2, isShort: false }, '2 open machines are called so'],
  [{ named: 'Slap', all: 0, isShort: false }, 'No open machine is called so. Fewer letters find more.'],
])('lets one be looked for where there are more, and says what was found: %o', (choice, words) => {
  lay(choice, choice.all === 0 ? [] : MACHINES);
  expect(screen.getByLabelText('Find a machine by name or owner')).toHaveProperty('value', choice.named);
  expect(screen.getByText(words)).toBeTruthy();
});

it('says which of the tasks stand here', () => {
  const choice = { named: '', all: 2, isShort: false };
  const { unmount } = lay(choice);
  expect(screen.getByText('one task, in the order of the plan')).toBeTruthy();
  unmount();
  lay(choice, MACHINES, [50, 51]);
  expect(screen.getByText('task 51 of 51, in the order of the plan')).toBeTruthy();
  expect(screen.getByText('the others')).toBeTruthy();
});
