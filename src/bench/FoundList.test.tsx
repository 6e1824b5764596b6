/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { fireEvent, render, screen } from '@testing-library/react';
import { system } from '@/ui/theme';
import { FoundList } from './FoundList';

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: () => {} }) }));

const list = (words: string) => (
  <ChakraProvider value={system}>
    <FoundList words={words} kind={null} cut={false} next={null} rows={[]} />
  </ChakraProvider>
);
const box = () => screen.getByLabelText<HTMLInputElement>('Words');

it('the box holds what was looked for, from wherever that was, and what is typed until then', () => {
  const { rerender } = render(list('lid'));
  expect(box().value).toBe('lid');
  fireEvent.change(box(), { target: { value: 'lid of' } });
  rerender(list('lid'));
  expect(box().value).toBe('lid of');
  rerender(list('screw'));
  expect(box().value).toBe('screw');
});

it('finds what is typed before the page has woken up', () => {
  render(list('lid'));
  const form = screen.getByRole<HTMLFormElement>('search');
  expect(new URL(form.action).pathname).toBe('/find');
  expect([...new FormData(form).entries()]).toEqual([
    ['q', 'lid'],
    ['kind', ''],
  ]);
});
