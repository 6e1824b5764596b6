import fc from 'fast-check';
import { commonTarget, type SetPiece } from './commonTarget';

const piece = (tag: string, hiddenB: number | null, currentB: number | null): SetPiece => ({
  id: tag,
  tag,
  hiddenB,
  currentB,
});

it('is the middle of the hidden patches; the furthest leads', () => {
  const found = commonTarget([piece('K1', 5, 18), piece('K2', 6, 26), piece('K3', 7, 9), piece('K4', null, null)])!;
  expect(found.targetB).toBe(6);
  expect(found.places.map(({ tag, aboveB }) => [tag, aboveB])).toEqual([
    ['K2', 20],
    ['K1', 12],
    ['K3', 2],
    ['K4', null],
  ]);
  expect(found.leads).toBe('K2');
});

it('each goes for its own where fewer than two patches are known', () => {
  expect(commonTarget([piece('K1', 5, 18), piece('K2', null, 20)])).toBeNull();
});

it('a piece that is past it pulls it no further, whatever that piece measures', () => {
  fc.assert(
    fc.property(fc.double({ min: -20, max: 4, noNaN: true }), (past) => {
      const found = commonTarget([piece('K1', 6, 14), piece('K2', 6.4, past), piece('K3', 6.8, 12)])!;
      expect(found.targetB).toBeCloseTo(6.4, 9);
      expect(found.past).toEqual(['K2']);
      expect(found.leads).toBe('K1');
    }),
  );
});

it('a patch that stands apart is named and does not drag the others; no piece goes below its own patch', () => {
  const found = commonTarget([piece('K1', 5, 18), piece('K2', 6, 18), piece('K3', 17, 18)])!;
  expect(found.apart).toEqual(['K3']);
  expect(found.targetB).toBe(6);
  expect(found.places.find(({ tag }) => tag === 'K3')!.targetB).toBe(6);
  const near = commonTarget([piece('K1', 5, 18), piece('K2', 7.5, 18)])!;
  expect(near.places.find(({ tag }) => tag === 'K2')!.targetB).toBe(7.5);
  expect(near.places.find(({ tag }) => tag === 'K1')!.targetB).toBe(6.25);
});
