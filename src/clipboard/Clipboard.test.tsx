/** @jest-environment jsdom */
import { ChakraProvider } from '@chakra-ui/react';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { system } from '@/ui/theme';
import type { Clip } from './clip';
import { countsOf } from './clip';
import { Clipboard } from './Clipboard';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {}, push: () => {} }) }));
jest.mock('./actions', () => ({}));
jest.mock('@/undo/actions', () => ({}));

const NO_LOG = { entries: [], older: false, replaced: [] };
const AT = '2026-06-21T10:00:00.000Z';
const note = (id: number, words: string) => ({
  id,
  at: AT,
  restorationId: 'r',
  stage: 'wash' as const,
  kind: 'note',
  words,
  data: null,
  corrects: null,
});
const CLIP = {
  restorationId: 'r',
  stage: 'wash',
  pieces: [],
  photos: [],
  findings: [{ settledAs: null }, { settledAs: 'done' }],
  aim: 'presentable',
  ledger: [
    { id: 'a', kind: 'minutes', minutes: 45, words: 'scrubbed' },
    { id: 'b', kind: 'material', minutes: 0, words: 'soap' },
  ],
  notes: { ...NO_LOG, entries: [note(2, 'still sticky'), note(1, 'sticky')], replaced: [1] },
  log: NO_LOG,
  currency: 'EUR',
  timeZone: 'Etc/GMT+2',
  money: { b: '€1.20' },
} as unknown as Clip;

function lay(wide: boolean) {
  window.matchMedia = (() => ({
    matches: wide,
    addEventListener: () => {},
    removeEventListener: () => {},
  })) as unknown as typeof window.matchMedia;
  window.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  // The test's browser knows no dialogs over a page.
  HTMLDialogElement.prototype.showModal = function showModal() {
    this.open = true;
  };
  render(
    <ChakraProvider value={system}>
      <Clipboard clip={CLIP} />
    </ChakraProvider>,
  );
}

const turned = () => act(() => new Promise((resolve) => setTimeout(resolve, 50)));

beforeEach(() => sessionStorage.clear());

it('counts what is open, what stands, and the minutes in all', () => {
  expect(countsOf(CLIP)).toEqual({
    photographs: '',
    findings: '1',
    notes: '1',
    minutes: '45′',
    materials: '1',
    log: '',
  });
  const long = { ...CLIP, ledger: [{ ...CLIP.ledger[0]!, minutes: 150 }], notes: { ...CLIP.notes, older: true } };
  expect(countsOf(long)).toMatchObject({ minutes: '3 h', notes: '1+' });
});

it('lies beside the work at a desk, turned by a tap or a key, and put away by the same tap', async () => {
  lay(true);
  // The test's browser is of no width: what stands at a desk is hidden there.
  const board = document.querySelector<HTMLElement>('aside[aria-label="Clipboard"]')!;
  fireEvent.click(within(board).getByText('Notes').closest('button')!);
  await turned();
  expect(within(board).getByLabelText('Note')).toBeTruthy();
  expect(within(board).getByText('still sticky')).toBeTruthy();
  expect(within(board).queryByText('sticky')).toBeNull();
  fireEvent.keyDown(window, { key: 'm' });
  await turned();
  expect(within(board).getByText('scrubbed')).toBeTruthy();
  fireEvent.click(within(board).getByText('Minutes').closest('button')!);
  expect(within(board).queryByText('scrubbed')).toBeNull();
});

it('comes over the work on a phone, and what is typed into a field turns no leaf', async () => {
  lay(false);
  fireEvent.click(screen.getByRole('button', { name: 'Clipboard' }));
  await turned();
  const board = screen.getByRole('dialog', { name: 'Clipboard' });
  fireEvent.click(within(board).getByRole('button', { name: /^Materials/ }));
  await turned();
  expect(within(board).getByText('€1.20')).toBeTruthy();
  fireEvent.keyDown(within(board).getByLabelText('Material used'), { key: 'm' });
  await turned();
  expect(within(board).getByText('€1.20')).toBeTruthy();
});
