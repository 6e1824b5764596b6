import fc from 'fast-check';
import { bathVolume, COVER_MM } from '../peroxide/bathVolume';
import { fitsIn, liesIn, surfaceCm2, usualSolutionL } from './amounts';
import type { PieceSize, TubSize } from '../size';
import { SCHOOL, SCHOOLS } from './schools';

const side = fc.integer({ min: 5, max: 900 });
const pieces: fc.Arbitrary<PieceSize> = fc.record({ lengthMm: side, widthMm: side, heightMm: side });
const tubs: fc.Arbitrary<TubSize> = fc.record({ lengthMm: side, widthMm: side, depthMm: side });
const turned = (piece: PieceSize): PieceSize => ({ ...piece, lengthMm: piece.widthMm, widthMm: piece.lengthMm });

it('cream covers top and sides, not what it lies on', () => {
  expect(surfaceCm2({ lengthMm: 400, widthMm: 220, heightMm: 45 })).toBeCloseTo(880 + 558, 9);
  fc.assert(
    fc.property(pieces, (piece) => {
      expect(surfaceCm2(turned(piece))).toBeCloseTo(surfaceCm2(piece), 6);
      expect(surfaceCm2({ ...piece, heightMm: piece.heightMm + 10 })).toBeGreaterThan(surfaceCm2(piece));
    }),
  );
});

it('a bag takes less than a bath, a pool under the piece hardly anything, and nothing takes less than is of use', () => {
  const lid = { lengthMm: 400, widthMm: 220, heightMm: 45 };
  expect(usualSolutionL(SCHOOL['bath-lamp'], lid)).toBeCloseTo(1.6 * 3.96, 9);
  expect(usualSolutionL(SCHOOL['bag-sun'], lid)).toBeCloseTo(0.4 * 3.96, 9);
  expect(usualSolutionL(SCHOOL.vapour, lid)).toBeCloseTo(1.5 * 0.88, 9);
  fc.assert(
    fc.property(pieces, fc.constantFrom(...SCHOOLS), (piece, id) => {
      const litres = usualSolutionL(SCHOOL[id], piece);
      expect(litres).toBeGreaterThanOrEqual(0.3);
      expect(usualSolutionL(SCHOOL[id], turned(piece))).toBeCloseTo(litres, 9);
      expect(usualSolutionL(SCHOOL['bag-sun'], piece)).toBeLessThanOrEqual(usualSolutionL(SCHOOL['bath-sun'], piece));
    }),
  );
});

it('a piece lies in a tub whichever way both are turned, and what it is covered in does not run over', () => {
  fc.assert(
    fc.property(tubs, pieces, (tub, piece) => {
      const lies = liesIn(tub, piece);
      expect(liesIn(tub, turned(piece))).toBe(lies);
      expect(liesIn({ ...tub, lengthMm: tub.widthMm, widthMm: tub.lengthMm }, piece)).toBe(lies);
      // What is smaller lies wherever the larger does.
      if (lies) expect(liesIn(tub, { lengthMm: piece.lengthMm - 1, widthMm: piece.widthMm - 1 })).toBe(true);
      if (!fitsIn(SCHOOL['bath-lamp'], tub, piece)) return;
      expect(lies).toBe(true);
      const { lengthMm, widthMm, depthMm } = tub;
      expect(
        bathVolume({ shape: 'box', lengthMm, widthMm, heightMm: depthMm }, [], piece.heightMm + COVER_MM).overflows,
      ).toBe(false);
    }),
  );
});
