import fc from 'fast-check';
import { seenShare } from './seenShare';

it('is the band of Wilson, worked by hand for nine of ten and none of ten at 90 %', () => {
  const nine = seenShare(9, 10);
  expect([nine.share, nine.low, nine.high].map((x) => Number(x!.toFixed(3)))).toEqual([0.9, 0.652, 0.977]);
  const none = seenShare(0, 10);
  expect([none.low, Number(none.high.toFixed(3))]).toEqual([0, 0.213]);
  expect(seenShare(0, 0)).toMatchObject({ share: null, low: 0, high: 1 });
});

it('holds its share, narrows with numbers, and is the same from the other side', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (of, part) => {
      const held = Math.round(part * of);
      const { share, low, high } = seenShare(held, of);
      expect(low).toBeLessThanOrEqual(share! + 1e-12);
      expect(high).toBeGreaterThanOrEqual(share! - 1e-12);
      const other = seenShare(of - held, of);
      expect(other.high).toBeCloseTo(1 - low, 10);
      const more = seenShare(held * 4, of * 4);
      expect(more.high - more.low).toBeLessThan(high - low);
    }),
  );
});
