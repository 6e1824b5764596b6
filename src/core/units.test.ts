import fc from 'fast-check';
import {
  amountWords,
  fromShown,
  fromTyped,
  limitShown,
  poured,
  pouredWords,
  shownUnit,
  toShown,
  toTyped,
  withPoint,
} from './units';

it('what is typed in other units comes back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -100, max: 1000, noNaN: true }),
      fc.constantFrom('L', 'g', 'mm', '°C', 'cm²', '%'),
      (value, unit) => {
        expect(fromShown(toShown(value, unit, 'us'), unit, 'us')).toBeCloseTo(value, 6);
        expect(toShown(value, unit, 'metric')).toBe(value);
      },
    ),
  );
  expect(toShown(100, '°C', 'us')).toBeCloseTo(212, 9);
  expect(shownUnit('L', 'us')).toBe('US gal');
  expect(shownUnit('%', 'us')).toBe('%');
});

it('amounts are said no coarser than they are kept', () => {
  expect(amountWords(1.578, 'L', 2, 'metric')).toBe('1.58 L');
  expect(amountWords(1.578, 'L', 2, 'us')).toBe('0.417 US gal');
  expect(amountWords(30, 'mm', 0, 'us')).toBe('1.18 in');
  expect(amountWords(50, '°C', 0, 'us')).toBe('122 °F');
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 5000, noNaN: true }),
      fc.constantFrom('L', 'mL', 'g', 'mm', 'cm²'),
      (value, unit) => {
        const said = Number.parseFloat(amountWords(value, unit, 0, 'us'));
        expect(Math.abs(fromShown(said, unit, 'us') - value)).toBeLessThan(1);
      },
    ),
  );
});

it('a field holds what was typed in it, and words that are no number stay words', () => {
  expect([fromTyped('8,5', 'mm', 'us'), toTyped('215.9', 'mm', 'us')]).toEqual(['215.9', '8.5']);
  expect([fromTyped('about 8', 'mm', 'us'), fromTyped('', 'mm', 'us'), toTyped('', 'mm', 'us')]).toEqual([
    'about 8',
    '',
    '',
  ]);
  expect([fromTyped('0', '°C', 'us'), toTyped('50', '°C', 'us')]).toEqual(['-17.77778', '122']);
  expect(['400', '220', '5000'].map((size) => toTyped(size, 'mm', 'us'))).toEqual(['15.75', '8.661', '196.85']);
  expect(toTyped('12.3456789', 'mm', 'metric')).toBe('12.3456789');
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 9000, noNaN: true }),
      fc.constantFrom('L', 'g', 'mm', 'cm²'),
      (value, unit) => {
        const text = String(Number(value.toPrecision(5)));
        const again = Number(toTyped(fromTyped(text, unit, 'us'), unit, 'us'));
        expect(Math.abs(again - Number(text))).toBeLessThanOrEqual(0.0051);
      },
    ),
  );
});

it('a limit is said in the units that were typed in', () => {
  expect(limitShown('Length must be less than or equal to 254', 254, 'mm', 'us')).toBe(
    'Length must be less than or equal to 10 in',
  );
  expect(limitShown('Over 50 °C long thin parts bend. Stay at 50 °C or below.', 50, '°C', 'us')).toBe(
    'Over 122 °F long thin parts bend. Stay at 122 °F or below.',
  );
  expect(limitShown('Give 5 to 50 min', 5, 'min', 'metric')).toBe('Give 5 min to 50 min');
});

it('a liquid is measured out by the millilitre under a litre, and is the same amount either way', () => {
  expect([pouredWords(0.7, 'metric'), pouredWords(0.9996, 'metric'), pouredWords(1.578, 'us')]).toEqual([
    '700 mL',
    '1.00 L',
    '0.417 US gal',
  ]);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (litres) => {
      const { amount, unit } = poured(litres);
      expect(unit === 'L' ? amount : amount / 1000).toBeCloseTo(litres, 9);
    }),
  );
});

it('a decimal comma is a point; lists, thousands and words are left alone', () => {
  expect(['8,5', ' -0,25 ', ',5', '1,2,3', '8', 'a,5', '8,'].map(withPoint)).toEqual([
    '8.5',
    ' -0.25 ',
    '.5',
    '1,2,3',
    '8',
    'a,5',
    '8,',
  ]);
});
