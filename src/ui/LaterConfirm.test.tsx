/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { LaterConfirm } from './LaterConfirm';
import { system } from './theme';

const yes = jest.fn();
const lay = () =>
  render(
    <ChakraProvider value={system}>
      <LaterConfirm trigger={<button>Off again</button>} title="Take it off again?" yes="Take it off" onYes={yes}>
        It counts as out once more.
      </LaterConfirm>
    </ChakraProvider>,
  );
const question = () => screen.findByText('Take it off again?');
const tap = (name: string) => act(async () => fireEvent.click(screen.getByRole('button', { name })));

beforeEach(() => yes.mockClear());

it('what opens the question stands there from the first moment, and one tap opens it', async () => {
  lay();
  await tap('Off again');
  await question();
  expect(yes).not.toHaveBeenCalled();
  await tap('Take it off');
  expect(yes).toHaveBeenCalledTimes(1);
});

it('is asked again at the next tap', async () => {
  lay();
  await tap('Off again');
  await question();
  await tap('Not now');
  await waitFor(() => expect(screen.queryByText('Take it off again?')).toBeNull());
  await tap('Off again');
  await question();
  expect(yes).not.toHaveBeenCalled();
});
