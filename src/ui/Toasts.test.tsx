/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { system } from './theme';
import { say, ToastPlace, warn } from './Toasts';

/** Whether something is still said; what goes fades out first. */
const isSaid = (words: string) =>
  screen.queryByText(words)?.closest('[data-part="root"]')?.getAttribute('data-state') === 'open';

async function tapOn(words: string, tell: () => void) {
  act(tell);
  fireEvent.click(await screen.findByText(words));
}

it('what only says something goes at a tap; what can be undone and what went wrong stay', async () => {
  render(
    <ChakraProvider value={system}>
      <ToastPlace />
    </ChakraProvider>,
  );
  await tapOn('Kept.', () => say('Kept.'));
  await waitFor(() => expect(isSaid('Kept.')).toBe(false));
  await tapOn('Dropped.', () => say('Dropped.', { title: 'Undo', act: () => {} }));
  await tapOn('Not kept.', () => warn('Not kept.'));
  await act(() => new Promise((over) => setTimeout(over, 300)));
  expect([isSaid('Dropped.'), isSaid('Not kept.')]).toEqual([true, true]);
});

it('a pointer that rests on it holds it, but not for ever', async () => {
  jest.useFakeTimers();
  try {
    render(
      <ChakraProvider value={system}>
        <ToastPlace />
      </ChakraProvider>,
    );
    act(() => say('Held.'));
    await act(() => jest.advanceTimersByTimeAsync(100));
    fireEvent.mouseMove(screen.getByText('Held.').closest('[data-part="group"]')!);
    await act(() => jest.advanceTimersByTimeAsync(5000));
    expect(isSaid('Held.')).toBe(true);
    await act(() => jest.advanceTimersByTimeAsync(2500));
    expect(isSaid('Held.')).toBe(false);
  } finally {
    jest.useRealTimers();
  }
});
