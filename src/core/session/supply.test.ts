import fc from 'fast-check';
import { fitsIn } from './amounts';
import { planExposure } from './plan';
import { SCHOOL, SCHOOLS } from './schools';
import { solutionIn, supplyFor, takesTub, type OwnStock, type OwnTub } from './supply';

const LID = { lengthMm: 400, widthMm: 220, heightMm: 45 };
const tub = (id: string, lengthMm: number, widthMm: number, depthMm: number): OwnTub => ({
  id,
  name: id,
  lengthMm,
  widthMm,
  depthMm,
});
const [LOW, NARROW, RIGHT] = [tub('low', 600, 400, 60), tub('narrow', 600, 200, 300), tub('right', 400, 600, 150)];
const stock = (id: string, kind: OwnStock['kind'], percentWW: number, left: number | null = null): OwnStock => ({
  ...{ id, name: id, kind, percentWW, left },
  ...{ sizeMl: 1000, priceMinor: 1000 },
});
const STOCK = [stock('tube', 'cream', 12), stock('bottle', 'liquid', 12), stock('powder', 'powder', 16)];
const of = (school: (typeof SCHOOLS)[number], given = STOCK, tubs: OwnTub[] = [], sessions = 1) =>
  supplyFor(SCHOOL[school], LID, given, tubs, sessions);

it('takes the first tub that covers the piece; vapour one whose lid closes over it above the pool', () => {
  expect(of('bath-lamp', STOCK, [NARROW, LOW, RIGHT])).toMatchObject({
    tubId: 'right',
    litres: 0.4 * 0.6 * (45 + 20),
    buy: [],
  });
  // 60 mm holds 45 above a pool of 10, but does not cover it with 20.
  expect(of('vapour', STOCK, [NARROW, LOW, RIGHT])).toMatchObject({ tubId: 'low', litres: 0.6 * 0.4 * 10, buy: [] });
  expect(of('vapour', STOCK, []).buy).toEqual([{ kind: 'box with a lid', ...LID }]);
  expect(of('vapour', STOCK, [NARROW]).buy).toMatchObject([{ kind: 'box with a lid' }]);
  // Where no tub was measured yet nobody says that there is none.
  expect(of('bath-lamp', STOCK, []).buy).toEqual([]);
  expect(of('bath-lamp', STOCK, [NARROW]).buy).toMatchObject([{ kind: 'tub' }]);
  expect(of('bag-sun', STOCK, [NARROW]).buy).toEqual([]);
});

it('says how much out of which bottle, and what is short of it', () => {
  expect(of('bath-lamp', STOCK, [RIGHT])).toMatchObject({
    litres: expect.closeTo(15.6, 9) as number,
    takes: { name: 'bottle', amount: expect.closeTo(15_600, 6) as number, tub: 'right', coats: 1 },
  });
  expect(of('cream-film-sun', STOCK, [], 3)).toMatchObject({
    stockId: 'tube',
    takes: { name: 'tube', medium: 'cream', amount: expect.closeTo(431, 0) as number, coats: 3, tub: null },
    litres: null,
    tubId: null,
  });
  expect(of('cream-film-sun', [stock('a', 'cream', 12, 100), stock('b', 'cream', 12, 140)]).buy).toEqual([
    { kind: 'more of it', name: 'b', medium: 'cream', amount: expect.closeTo(3.6, 0) as number },
  ]);
  expect(of('cream-film-sun', [stock('a', 'cream', 12, 144), stock('b', 'cream', 12, 1000)]).stockId).toBe('a');
  expect(of('cream-film-sun', [])).toMatchObject({ stockId: null, takes: null, costMinor: null });
});

it('the plan that begins with it takes out of the bottle what the comparison counted, for all ways', () => {
  const side = fc.integer({ min: 30, max: 500 });
  fc.assert(
    fc.property(
      fc.constantFrom(...SCHOOLS),
      fc.record({ lengthMm: side, widthMm: side, heightMm: side }),
      (id, piece) => {
        const school = SCHOOL[id];
        const box = tub('box', 600, 600, 600);
        const supply = supplyFor(school, piece, STOCK, [box], 1);
        const { percentWW, sizeMl, priceMinor } = STOCK.find((one) => one.id === supply.stockId)!;
        const plan = planExposure({
          school,
          stockPercentWW: percentWW,
          targetPercentWW: school.usualPercentWW,
          volumeL: supply.litres ?? 0,
          areaCm2: (piece.lengthMm * piece.widthMm + 2 * piece.heightMm * (piece.lengthMm + piece.widthMm)) / 100,
          toleranceB: 1.5,
          yellow: null,
          place: { latitude: 0, longitude: 0 },
          start: new Date('2026-06-21T10:00:00Z'),
          durationMin: 60,
          cloudFraction: 0,
          shading: [],
          lampMwPerCm2: 3,
          temperatureC: 25,
        });
        expect(supply.costMinor! / plan.stockMl).toBeCloseTo(priceMinor! / sizeMl!, 0);
        expect(supply.costMinor).toBe(Math.round((plan.stockMl / sizeMl!) * priceMinor!));
        if (takesTub(school)) {
          expect(fitsIn(school, box, piece)).toBe(true);
          expect(supply.litres).toBeCloseTo(solutionIn(school, box, piece), 9);
        }
      },
    ),
    { numRuns: 60 },
  );
});
