/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { system } from '@/ui/theme';
import { search } from './actions';
import type { Found } from './find';
import { FindDialog } from './FindDialog';

const opened = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ push: (href: string) => opened(href) as unknown }) }));
jest.mock('./actions', () => ({ search: jest.fn() }));

const NONE = 'No machine, piece, stage or sum is called so.';
const AWAY = /^Kvell does not answer/;
const slab: Found = { href: '/restorations/slab', title: 'Orvane Slab', kind: 'restoration' };
const answers = new Map<string, { come: (found: Found[]) => void; fail: () => void }>();

function lay() {
  jest.useFakeTimers();
  answers.clear();
  opened.mockClear();
  jest
    .mocked(search)
    .mockImplementation(
      (words) => new Promise((come, fail) => answers.set(words, { come, fail: () => fail(new TypeError('away')) })),
    );
  render(
    <ChakraProvider value={system}>
      <FindDialog open onClose={() => {}} />
    </ChakraProvider>,
  );
  const box = screen.getByLabelText('Words to find');
  return {
    type: async (words: string) => {
      fireEvent.change(box, { target: { value: words } });
      await act(() => jest.advanceTimersByTimeAsync(200));
    },
    enter: () => fireEvent.keyDown(box, { key: 'Enter' }),
    answer: (words: string, found: Found[]) =>
      act(async () => {
        answers.get(words)!.come(found);
        await jest.advanceTimersByTimeAsync(0);
      }),
    fail: (words: string) =>
      act(async () => {
        answers.get(words)!.fail();
        await jest.advanceTimersByTimeAsync(0);
      }),
  };
}

afterEach(() => jest.useRealTimers());

it('says that nothing is called so only once that is known', async () => {
  const { type, answer } = lay();
  await type('slap');
  expect(screen.queryByText(NONE)).toBeNull();
  expect(screen.getByText('Looking.')).toBeDefined();
  await answer('slap', []);
  expect(screen.getByText(NONE)).toBeDefined();
  await type('slab');
  expect(screen.queryByText(NONE)).toBeNull();
});

it('who enters before the answer came is led to the first of it, not to what stood there before', async () => {
  const { type, enter, answer } = lay();
  await type('a');
  await answer('a', [{ ...slab, href: '/restorations/another' }]);
  await type('slab');
  enter();
  expect(opened).not.toHaveBeenCalled();
  await answer('slab', [slab]);
  expect(opened.mock.calls).toEqual([['/restorations/slab']]);
});

it('who went on typing after entering is led nowhere by what was entered', async () => {
  const { type, enter, answer } = lay();
  await type('slab');
  enter();
  await type('slab lid');
  await answer('slab', [slab]);
  await answer('slab lid', [slab]);
  await type('slab');
  await answer('slab', [slab]);
  expect(opened).not.toHaveBeenCalled();
});

it('what is called by no name is looked for in everything that was written', async () => {
  const { type, enter, answer } = lay();
  await type('smooth film');
  await answer('smooth film', []);
  enter();
  expect(opened.mock.calls).toEqual([['/find?q=smooth+film']]);
});

it('does not call a server that is away a search without a result', async () => {
  const { type, fail, answer } = lay();
  await type('slab');
  await fail('slab');
  expect(screen.getByText(AWAY)).toBeDefined();
  expect(screen.queryByText(NONE)).toBeNull();
  await type('slab ');
  await answer('slab ', [slab]);
  expect(screen.queryByText(AWAY)).toBeNull();
  expect(screen.getByText('Orvane Slab')).toBeDefined();
});
