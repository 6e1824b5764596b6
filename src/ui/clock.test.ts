import { showSpan } from './clock';

const HOUR = 3_600_000;

it('says a span as closely as anybody counts it, before its bell and after', () => {
  const shown: [number, string][] = [
    [9_000, '00:09'],
    [59 * 60_000 + 59_999, '59:59'],
    [2 * HOUR + 249_000, '2:04:09'],
    [48 * HOUR - 1000, '47:59:59'],
    [48 * HOUR, '2 d 00 h'],
    [100 * 24 * HOUR - 1000, '99 d 23 h'],
    [100 * 24 * HOUR, '100 d'],
    [163 * 24 * HOUR + 8 * HOUR, '163 d'],
  ];
  for (const [ms, words] of shown) expect([showSpan(ms), showSpan(-ms)]).toEqual([words, words]);
});
