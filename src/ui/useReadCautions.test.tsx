/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useReadCautions } from './useReadCautions';

const of = (...ids: string[]) => ids.map((id) => ({ id }));

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

it('where there is nothing to read, nothing is asked', () => {
  const { result } = renderHook(() => useReadCautions([]));
  expect(result.current.areRead).toBe(true);
});
