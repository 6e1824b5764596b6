/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useEffect, useRef } from 'react';
import { useSend } from './useSend';

type Answer = { ok: true; value: string } | { ok: false; errors: { field: string; message: string }[] };

const refused: Answer = { ok: false, errors: [{ field: 'name', message: 'There is one of this name already.' }] };

/** Sends on a tap, and again as soon as it reads what was wrong. */
function Hasty({ sends, onDone }: { sends: () => Promise<Answer>; onDone: (value: string) => void }) {
  const { wrong, send } = useSend();
  const again = useRef(false);
  useEffect(() => {
    if (wrong.length === 0 || again.current) return;
    again.current = true;
    send(sends, onDone);
  }, [wrong, send, sends, onDone]);
  return (
    <>
      <button onClick={() => send(sends, onDone)}>Send</button>
      {wrong.map((words) => (
        <p key={words} role="alert">
          {words}
        </p>
      ))}
    </>
  );
}

it('what is sent as soon as somebody reads what was wrong is taken', async () => {
  const sends = jest
    .fn<Promise<Answer>, []>()
    .mockResolvedValueOnce(refused)
    .mockResolvedValueOnce({ ok: true, value: 'kept' });
  const onDone = jest.fn();
  render(<Hasty sends={sends} onDone={onDone} />);
  await act(async () => {
    fireEvent.click(screen.getByText('Send'));
    await new Promise((done) => setTimeout(done, 50));
  });
  expect(sends).toHaveBeenCalledTimes(2);
  expect(onDone.mock.calls).toEqual([['kept']]);
});

it('a second tap while one is under way does nothing', async () => {
  let arrive: (answer: Answer) => void = () => {};
  const sends = jest.fn<Promise<Answer>, []>(
    () =>
      new Promise((resolve) => {
        arrive = resolve;
      }),
  );
  const onDone = jest.fn();
  render(<Hasty sends={sends} onDone={onDone} />);
  await act(async () => {
    fireEvent.click(screen.getByText('Send'));
    fireEvent.click(screen.getByText('Send'));
    await Promise.resolve();
  });
  expect(sends).toHaveBeenCalledTimes(1);
  await act(async () => {
    arrive({ ok: true, value: 'kept' });
    await Promise.resolve();
  });
  expect(onDone).toHaveBeenCalledTimes(1);
});
