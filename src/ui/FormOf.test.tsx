/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Fold } from './Fold';
import { FormOf, type FormProps } from './FormOf';
import { keeper, keepHere } from './outbox/keep';
import { giveKeeper, keeperComes } from './outbox/keeper';
import { watchRequests } from './outbox/requests';
import type { Kept } from './outbox/store';
import { PinnedPhoto } from './PinnedPhoto';
import { system } from './theme';

const FIELDS: FormProps<void>['fields'] = [
  { name: 'words', label: 'Note' },
  {
    name: 'kind',
    label: 'What',
    kind: 'chips',
    options: [
      { value: 'crack', label: 'crack' },
      { value: 'rust', label: 'rust' },
    ],
  },
];

const form = (props: Partial<FormProps<void>>) => (
  <ChakraProvider value={system}>
    <FormOf
      fields={FIELDS}
      initial={{ words: '', kind: 'crack' }}
      submit="Write"
      draftKey="trial"
      send={() => Promise.resolve({ ok: true, value: undefined })}
      {...props}
    />
  </ChakraProvider>
);

const submit = async () => {
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Write' }));
    await Promise.resolve();
  });
};

beforeEach(() => localStorage.clear());

it('shows what is wrong beside its field, keeps what was typed, and leads there', async () => {
  const send = jest.fn(() =>
    Promise.resolve({ ok: false as const, errors: [{ field: 'words', message: 'Write a few words.' }] }),
  );
  render(form({ send }));
  fireEvent.change(screen.getByLabelText('Note'), { target: { value: ' ' } });
  await submit();
  expect(screen.getByRole('alert').textContent).toBe('Write a few words.');
  expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe(' ');
  expect(document.activeElement).toBe(screen.getByLabelText('Note'));
});

it('sends the chip that was chosen, with the same key until an answer came', async () => {
  let lost = true;
  const keys: unknown[] = [];
  const send: FormProps<void>['send'] = (values) => {
    keys.push(values.once);
    if (!lost) return Promise.resolve({ ok: true, value: undefined });
    lost = false;
    return Promise.reject(new TypeError('network'));
  };
  render(form({ send }));
  fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'a crack' } });
  fireEvent.click(screen.getByRole('radio', { name: 'rust' }));
  await submit();
  expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe('a crack');
  await submit();
  expect(new Set(keys).size).toBe(1);
});

it('what is typed is there again when the page is', () => {
  const { unmount } = render(form({}));
  fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'half a word' } });
  unmount();
  render(form({}));
  expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe('half a word');
});

it('folded fields open where one of them is wrong', async () => {
  const send = () =>
    Promise.resolve({ ok: false as const, errors: [{ field: 'words', message: 'Write a few words.' }] });
  render(form({ send, fold: 'In figures' }));
  const details = screen.getByText('In figures').closest('details')!;
  expect(details.open).toBe(false);
  await submit();
  expect(details.open).toBe(true);
});

it('folded fields can be opened only once what stands above them has come', () => {
  const { rerender } = render(form({ fold: 'In figures', waits: true }));
  expect(screen.getByText('In figures').closest('[hidden]')).not.toBeNull();
  rerender(form({ fold: 'In figures' }));
  expect(screen.getByText('In figures').closest('[hidden]')).toBeNull();
});

it('a fold closes after its form was kept', async () => {
  render(
    <ChakraProvider value={system}>
      <Fold summary="Write a note" openAtFirst>
        {form({})}
      </Fold>
    </ChakraProvider>,
  );
  // The browser says a moment later that a fold was opened.
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  await submit();
  await waitFor(() => expect(screen.queryByLabelText('Note')).toBeNull());
});

it('a pin is set with the keyboard where the cross was moved', () => {
  const placed = jest.fn();
  render(
    <ChakraProvider value={system}>
      <PinnedPhoto photoId="p" size={{ width: 800, height: 600 }} alt="front" pins={[]} onPlace={placed} />
    </ChakraProvider>,
  );
  const board = screen.getByRole('application');
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp', 'Enter']) fireEvent.keyDown(board, { key });
  expect(placed).toHaveBeenCalledTimes(1);
  expect(placed.mock.calls[0]![0].x).toBeCloseTo(0.54);
  expect(placed.mock.calls[0]![0].y).toBeCloseTo(0.48);
});

describe('while Kvell is away', () => {
  const fetched = globalThis.fetch;
  const kept: Kept[] = [];
  const away: FormProps<void>['send'] = (values) =>
    fetch('/wash', { method: 'POST', headers: { 'next-action': '40ab' }, body: JSON.stringify([values]) }).then(() => ({
      ok: true,
      value: undefined,
    }));
  beforeAll(() => {
    window.fetch = globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    watchRequests();
    keeperComes();
    keepHere((one) => Promise.resolve(void kept.push(one)));
  });
  afterAll(() => {
    globalThis.fetch = fetched;
  });
  beforeEach(() => kept.splice(0));

  it('what is sent before the keeper is there waits for it, and is kept', async () => {
    render(form({ send: away }));
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'at once' } });
    await submit();
    expect([kept.length, screen.queryByRole('alert')]).toEqual([0, null]);
    act(() => giveKeeper(keeper));
    await waitFor(() => expect(kept).toHaveLength(1));
  });

  it('what is typed is kept on the device with what its form is known by, and the form is empty again', async () => {
    const onDone = jest.fn();
    render(form({ send: away, onDone }));
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'lid off' } });
    await submit();
    await waitFor(() => expect(kept).toHaveLength(1));
    const [one] = kept as [Kept];
    expect(JSON.parse(one.body as string)).toEqual([{ words: 'lid off', kind: 'crack', once: one.id }]);
    expect(one).toMatchObject({
      url: '/wash',
      draft: { key: 'kvell-draft:trial', values: { words: 'lid off', kind: 'crack' } },
    });
    await waitFor(() => expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe(''));
    // Nobody was answered: what follows an answer does not follow.
    expect(onDone).not.toHaveBeenCalled();
    expect(localStorage.getItem('kvell-draft:trial')).toBeNull();
    // The same words once more are another note.
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'lid off' } });
    await submit();
    await waitFor(() => expect(new Set(kept.map(({ id }) => id)).size).toBe(2));
  });

  it('a form that goes on showing one thing is kept once, and what is secret is kept nowhere', async () => {
    const { unmount } = render(form({ send: away, keeps: true }));
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'lid off' } });
    await submit();
    await waitFor(() => expect(kept).toHaveLength(1));
    await submit();
    await waitFor(() => expect(kept).toHaveLength(2));
    expect(kept[1]!.id).toBe(kept[0]!.id);
    unmount();
    render(form({ send: away, fields: [...FIELDS, { name: 'pass', label: 'Passphrase', kind: 'secret' }] }));
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'hinge' } });
    await submit();
    expect(screen.getByRole('alert').textContent).toMatch(/did not come back/);
    expect(kept).toHaveLength(2);
  });
});
