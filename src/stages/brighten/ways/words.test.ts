import { missingWords, reasonWords, riskWords, takesWords } from './words';

it('says what goes in out of which bottle, and what is short of it', () => {
  const supply = { stockId: 'b', tubId: 'r', litres: 15.6 };
  const liquid = { name: 'bottle', medium: 'liquid', amount: 15_600, coats: 1, tub: 'right' } as const;
  expect(takesWords({ ...supply, takes: liquid }, 'metric')).toBe('15.60 L out of “bottle”, for 15.6 L in “right”');
  expect(takesWords({ ...supply, takes: { ...liquid, medium: 'powder', tub: null } }, 'metric')).toBe(
    '15600 g out of “bottle”, for 15.6 L of water',
  );
  const cream = { name: 'tube', medium: 'cream', amount: 431, coats: 3, tub: null } as const;
  expect(takesWords({ stockId: 'c', tubId: null, litres: null, takes: cream }, 'metric')).toBe(
    '431 mL out of “tube”, 3 coats',
  );
  expect(takesWords({ ...supply, takes: null }, 'metric')).toBe('');
  expect(missingWords({ kind: 'more of it', name: 'b', medium: 'cream', amount: 4 }, 'metric')).toBe(
    '4 mL more than is left in “b”',
  );
  const box = { kind: 'box with a lid', lengthMm: 400, widthMm: 220, heightMm: 45 } as const;
  expect(missingWords(box, 'metric')).toBe(
    'a box with a lid that holds it, 400 mm × 220 mm and more than 45 mm deep inside',
  );
  expect(missingWords({ kind: 'peroxide', medium: 'cream', leastPercent: 3, mostPercent: 12 }, 'us')).toBe(
    'peroxide cream of 3 to 12 %',
  );
  expect(missingWords({ kind: 'peroxide', medium: 'powder', leastPercent: 0, mostPercent: null }, 'us')).toBe(
    'oxygen-bleach powder',
  );
});

it('says why, and what keeps from it', () => {
  const weighed = {
    kind: 'weighed',
    against: 'Vapour',
    for: ['sooner', 'evener'],
    ready: true,
    measured: true,
  } as const;
  expect(reasonWords({ ...weighed, for: [...weighed.for] })).toBe(
    'Against vapour: it is done sooner, it comes out evener.',
  );
  expect(reasonWords({ ...weighed, for: [], ready: false, measured: false })).toBe(
    'Nothing is all here for any way. Against vapour: it weighs a little less all in all. Not measured yet: times follow once its start is known.',
  );
  expect(reasonWords({ kind: 'blocked', by: { kind: 'metal inside', metal: 'two inserts' } })).toMatch(
    /^Nothing may be started yet\. Metal still inside: two inserts\./,
  );
  expect(riskWords({ kind: 'label', label: 'serial', wet: true })).toMatch(/^Label \(serial\): lift it, or tape/);
});
