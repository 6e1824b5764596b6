import { saturationHpa } from '../vapour';
import fc from 'fast-check';
import { agentOf, type AgentId } from '../materials/agents';
import { dryAt, dryHours, type Drying } from './drying';
import { loadsFor, type Bather, type Tub } from './loads';
import { surfaceOf } from '../materials/surfaces';

const NIGHT: Drying = {
  surfaces: [surfaceOf('abs-textured')],
  hollow: false,
  airing: false,
  temperatureC: 20,
  humidity: 0.5,
};
const hoursOf = (agent: AgentId, drying = NIGHT) => dryHours(agentOf(agent), drying);
const loadOf = (agent: AgentId, ...rest: [readonly Bather[], Tub]) => loadsFor(agentOf(agent), ...rest);
const TUB: Tub = { name: 'kitchen sink', lengthMm: 500, widthMm: 400, depthMm: 200 };

describe('drying', () => {
  it('shells and caps take a night; alcohol is gone soon; vinegar stays longer than water', () => {
    expect(hoursOf('soap-soak', NIGHT)).toBeCloseTo(18, 6);
    expect(hoursOf('isopropyl', NIGHT)).toBeLessThan(0.5);
    expect(hoursOf('vinegar', NIGHT)).toBeGreaterThan(hoursOf('water-wipe', NIGHT));
    expect(hoursOf('air', NIGHT)).toBe(0);
    expect(dryAt(new Date('2026-07-01T20:00:00Z'), 18).toISOString()).toBe('2026-07-02T14:00:00.000Z');
  });

  it('vapour pressure of water is that of the tables', () => {
    expect(saturationHpa(20)).toBeCloseTo(23.4, 0);
    expect(saturationHpa(0)).toBeCloseTo(6.11, 2);
    expect(saturationHpa(30)).toBeCloseTo(42.4, 0);
  });

  it('never gets slower in warmer, drier or moving air, and always slower when hollow', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 35, noNaN: true }),
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        (temperatureC, humidity) => {
          const hours = (rest: Partial<Drying>) => hoursOf('soap-soak', { ...NIGHT, temperatureC, humidity, ...rest });
          expect(hours({ temperatureC: temperatureC + 3 })).toBeLessThanOrEqual(hours({}));
          expect(hours({ humidity: humidity - 0.05 })).toBeLessThanOrEqual(hours({}));
          expect(hours({ airing: true })).toBeLessThan(hours({}));
          expect(hours({ hollow: true })).toBeGreaterThan(hours({}));
        },
      ),
    );
  });
});

describe('loads', () => {
  const piece = (id: string, lengthMm: number, widthMm: number, heightMm: number): Bather => ({
    id,
    lengthMm,
    widthMm,
    heightMm,
  });

  it('a shell and its caps share a sink; water covers the highest, soap follows the water', () => {
    const { loads, tooBig } = loadOf('soap-soak', [piece('K1', 400, 220, 45), piece('K2', 100, 80, 15)], TUB);
    expect(tooBig).toEqual([]);
    expect(loads).toHaveLength(1);
    const [load] = loads;
    const covered = (500 * 400 * 75 - 0.25 * (400 * 220 * 45 + 100 * 80 * 15)) / 1e6;
    expect(load!.waterL).toBeCloseTo(covered, 9);
    expect(load!.amount).toBeCloseTo(5 * covered, 9);
    expect(load!.unit).toBe('mL');
    expect(loadOf('oxygen-soak', [piece('K1', 100, 100, 20)], TUB).loads[0]!.unit).toBe('g');
  });

  it('what does not lie under water any way round is named, with what to do', () => {
    const { loads, tooBig } = loadOf('soap-soak', [piece('K1', 900, 300, 40), piece('K2', 100, 80, 15)], TUB);
    expect(tooBig).toEqual([
      { id: 'K1', why: expect.stringContaining('does not fit under water in “kitchen sink”') as string },
    ]);
    expect(loads.map(({ pieces }) => pieces)).toEqual([['K2']]);
    expect(loadOf('soap-soak', [], TUB)).toEqual({ loads: [], tooBig: [] });
  });

  it('loses no piece, bathes none twice, and never fills a floor with more than it holds', () => {
    const size = fc.integer({ min: 10, max: 600 });
    fc.assert(
      fc.property(fc.array(fc.tuple(size, size, fc.integer({ min: 5, max: 150 })), { maxLength: 14 }), (sizes) => {
        const pieces = sizes.map(([a, b, c], i) => piece(String(i), a, b, c));
        const { loads, tooBig } = loadOf('soap-soak', pieces, TUB);
        expect([...loads.flatMap((load) => load.pieces), ...tooBig.map(({ id }) => id)].sort()).toEqual(
          pieces.map(({ id }) => id).sort(),
        );
        for (const load of loads) {
          const floor = load.pieces.reduce((sum, id) => {
            const { lengthMm, widthMm, heightMm } = pieces.find((known) => known.id === id)!;
            const [small, middle] = [lengthMm, widthMm, heightMm].sort((x, y) => x - y) as [number, number];
            return sum + small * middle;
          }, 0);
          expect(floor).toBeLessThanOrEqual(TUB.lengthMm * TUB.widthMm);
          expect(load.waterL).toBeGreaterThan(0);
        }
      }),
    );
  });
});
