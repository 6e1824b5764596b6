/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { Caution } from '@/core/peroxide/cautions';
import { useReadCautions } from './useReadCautions';

const of = (...hazards: string[]) =>
  hazards.map((hazard, i): Caution => ({
    id: `of-${i}`,
    severity: 'caution',
    hazard,
    protection: 'gloves',
    never: '',
  }));

it('cautions that come with another agent are to be read before it; fewer of those that were read stay read', () => {
  const { result, rerender } = renderHook((ids: string[]) => useReadCautions(of(...ids)), {
    initialProps: ['gloves', 'sun'],
  });
  expect(result.current.areRead).toBe(false);
  act(() => result.current.onChange(true));
  expect(result.current.areRead).toBe(true);
  rerender(['sun']);
  expect(result.current.areRead).toBe(true);
  rerender(['sun', 'lamp']);
  expect(result.current.areRead).toBe(false);
  act(() => result.current.onChange(true));
  rerender(['sun']);
  act(() => result.current.onChange(false));
  expect(result.current.areRead).toBe(false);
});

it('another mark to keep is another thing to read, in whatever place it stands', () => {
  const { result, rerender } = renderHook((marks: string[]) => useReadCautions(of(...marks)), {
    initialProps: ['Keep this mark: the stripe.'],
  });
  act(() => result.current.onChange(true));
  rerender(['Keep this mark: the serial label.']);
  expect(result.current.areRead).toBe(false);
});

it('where there is nothing to read, nothing is asked', () => {
  const { result } = renderHook(() => useReadCautions([]));
  expect(result.current.areRead).toBe(true);
});
