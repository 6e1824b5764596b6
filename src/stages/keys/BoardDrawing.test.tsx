/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { fireEvent, render, screen } from '@testing-library/react';
import { blockOf } from '@/core/keyboard/layout';
import { system } from '@/ui/theme';
import { BoardDrawing } from './BoardDrawing';

const whole = blockOf('grid', 3, 2);
const drawing = (without: string[]) => (
  <ChakraProvider value={system}>
    <BoardDrawing
      board={{ ...whole, keys: whole.keys.filter(({ id }) => !without.includes(id)) }}
      label="Drawing"
      onTap={() => {}}
    />
  </ChakraProvider>
);
const keys = () => screen.getAllByRole('button');
const reached = () => keys().filter((key) => key.getAttribute('tabindex') === '0');

it('the keyboard reaches the key that was last at hand, and the first where that one was taken away', () => {
  const { rerender } = render(drawing([]));
  expect(reached()).toEqual([keys()[0]]);
  const last = whole.keys.at(-1)!.id;
  fireEvent.focus(keys().at(-1)!);
  expect(reached()).toEqual([keys().at(-1)]);
  rerender(drawing([last]));
  expect(reached()).toEqual([keys()[0]]);
});
