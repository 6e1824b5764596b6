import type { MeasureResult } from '@/core/picture/measure';
import { giveOrTake, limitWords, whatHelps } from './howSure';

const result = (over: object, sdB = 2, sure = true): MeasureResult =>
  ({
    card: { patches: 1, residualDeltaE00: 0, method: 'gain' },
    basis: 'card',
    warnings: [],
    regions: [{ id: 'piece', sdB, sure }],
    ...over,
  }) as unknown as MeasureResult;

it('says how far off a figure may be in steps that mean something', () => {
  expect([0.3, 0.55, 0.9, 1.5].map(giveOrTake)).toEqual(['0.5', '0.9', '1.5', '2.5']);
  expect(limitWords(7.43)).toBe('ΔE00 7.4; it matches up to 2.0.');
});

it('asks for what would help, and for nothing where it is sure enough', () => {
  expect(whatHelps(result({}, 0.6))).toEqual([]);
  expect(whatHelps(result({}))[0]).toContain('second grey');
  expect(whatHelps(result({}, 0.6, false))[0]).toContain('second grey');
  expect(whatHelps(result({ warnings: [{ kind: 'light changes', region: 'piece', share: 0.3 }] }))[0]).toContain(
    'Even the light',
  );
  const many = { card: { patches: 7, residualDeltaE00: 1, method: 'matrix' } };
  expect(whatHelps(result(many)).join()).not.toMatch(/grey|patches/);
});
