import fc from 'fast-check';
import { pageAsked } from './page';

describe('the page that an address asks for', () => {
  it('is the one of that number', () => {
    expect([undefined, '0', '2', '2.9', '7'].map((page) => pageAsked(page, 4))).toEqual([0, 0, 2, 2, 4]);
    expect([undefined, '0', '1', '3'].map((page) => pageAsked(page, 4, 1))).toEqual([0, 0, 0, 2]);
  });

  it('is always one that there is', () =>
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.double().map(String), fc.array(fc.string())),
        fc.nat(50),
        fc.nat(1),
        (page, last, first) => {
          const found = pageAsked(page, last, first);
          expect(Number.isInteger(found) && found >= 0 && found <= last).toBe(true);
        },
      ),
    ));
});
