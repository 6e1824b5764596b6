import fc from 'fast-check';
import { closingHolds, closingScrews, type ClosingState } from './closing';
import { originsOf, type LotOfStep } from './leftovers';
import {
  explainMissing,
  holeDepth,
  isSameKind,
  lengthGuard,
  LENGTH_TOLERANCE_MM,
  lotWords,
  outstanding,
  PLAIN_THING,
  returnToHole,
  type Lot,
  type LotState,
} from './lots';
import { cellName, nextCell, screwShape } from './tray';

const LOT: Lot = {
  thing: 'screw',
  drive: 'cross',
  head: 'pan',
  diameterMm: 3,
  lengthMm: 8,
  shank: 'tapered',
  count: 4,
  fate: 'kept',
};
const out = (lot: Partial<Lot> = {}): LotState => ({ lot: { ...LOT, ...lot }, returned: 0, missing: 0 });

describe('counts', () => {
  it('always balance: what came off is back, explained or still out, whatever is tried', () => {
    const move = fc.tuple(fc.constantFrom('return', 'explain'), fc.integer({ min: -1, max: 6 }));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.array(move, { maxLength: 20 }), (count, moves) => {
        let state = out({ count });
        for (const [what, n] of moves) {
          try {
            state = what === 'return' ? returnToHole(state, n, 8, 8) : explainMissing(state, n);
          } catch {
            // Refused: nothing may have changed.
          }
          expect(state.returned + state.missing + outstanding(state)).toBe(count);
          expect(outstanding(state)).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });

  it('the same lot is not returned twice', () => {
    const back = returnToHole(out(), 4, 8, 8);
    expect(() => returnToHole(back, 4, 8, 8)).toThrow('Nothing was counted twice');
    expect(() => returnToHole(out(), 5, 8, 8)).toThrow('Only 4 of this lot are still out, not 5');
    expect(() => explainMissing(out(), 0)).toThrow('at least 1');
  });
});

describe('the length guard', () => {
  it('lets a hole’s own screw in, and none that is longer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 60, noNaN: true }),
        fc.double({ min: 0.6, max: 30, noNaN: true }),
        (length, more) => {
          expect(lengthGuard(length, holeDepth({ ...LOT, lengthMm: length }, null))).toBeNull();
          expect(lengthGuard(length + more, length)).toMatch(more > LENGTH_TOLERANCE_MM ? /too long/ : /^$/);
        },
      ),
    );
  });

  it('the three longer screws of the craft page do not go where short ones belong', () => {
    expect(() => returnToHole(out({ count: 8 }), 3, 12, 8)).toThrow('12 mm is too long for this hole: at most 8 mm');
    expect(() => returnToHole(out({ count: 3, lengthMm: 12 }), 3, 6, 12)).toThrow('would hardly hold');
  });

  it('a hole measured deeper takes a longer screw', () => {
    expect(returnToHole(out(), 1, 10, holeDepth(LOT, 11)).returned).toBe(1);
  });
});

describe('leftovers', () => {
  const lot = (lotId: string, fields: Partial<Lot>, returned: number): LotOfStep => ({
    ...out(fields),
    returned,
    lotId,
    stepId: `step of ${lotId}`,
  });

  it('are traced to where they can have come from, the likeliest first', () => {
    const lots = [
      lot('full', {}, 4),
      lot('short', { lengthMm: 6 }, 1),
      lot('open', {}, 3),
      lot('other', { drive: 'slot' }, 0),
    ];
    expect(originsOf(LOT, lots)).toEqual([
      { lotId: 'open', stepId: 'step of open', how: 'same' },
      { lotId: 'short', stepId: 'step of short', how: 'looks alike' },
      { lotId: 'full', stepId: 'step of full', how: 'swapped' },
    ]);
  });
});

describe('what is no screw', () => {
  it('is a counted lot that no ruler guards, told apart by its bore', () => {
    const clip: Lot = { ...LOT, thing: 'clip', ...PLAIN_THING };
    expect(lotWords(clip)).toBe('4 × clip');
    expect(lotWords({ ...LOT, thing: 'nut' })).toBe('4 × nut, ⌀ 3 mm');
    expect(returnToHole({ lot: clip, returned: 0, missing: 0 }, 4, 30, 1).returned).toBe(4);
    expect(isSameKind(clip, LOT)).toBe(false);
    expect(isSameKind({ ...LOT, thing: 'nut' }, { ...LOT, thing: 'nut', lengthMm: 1 })).toBe(true);
    expect(originsOf(LOT, [{ lot: clip, lotId: 'c', stepId: 's', returned: 0, missing: 0 }])).toEqual([]);
  });
});

describe('closing the case', () => {
  it('its screws are those before the first cover, and not what was laid aside', () => {
    const step = (id: string, joint: 'screws' | 'clips', position: number, laidAside = false) => ({
      id,
      joint,
      position,
      laidAside,
    });
    const steps = [
      step('strip', 'clips', 0, true),
      step('front', 'screws', 1),
      step('back', 'screws', 2),
      step('shell', 'clips', 3),
      step('board', 'screws', 4),
    ];
    expect(closingScrews(steps)).toEqual(['front', 'back']);
    expect(closingScrews([step('a', 'screws', 1)])).toEqual([]);
  });

  const now = new Date('2026-06-21T12:00:00Z');
  const ready: ClosingState = {
    lots: [],
    connections: [],
    curing: [],
    findings: [],
    functionTest: 'passed',
    stepsOff: [],
  };
  const kinds = (state: Partial<ClosingState>) => closingHolds({ ...ready, ...state }, now).map(({ kind }) => kind);

  it('is held for each thing that is not settled, and for nothing else', () => {
    expect(kinds({})).toEqual([]);
    expect(kinds({ functionTest: 'waived' })).toEqual([]);
    for (const functionTest of ['not made', 'nothing tried', { faulty: ['sound'] }] as const)
      expect(kinds({ functionTest: functionTest as ClosingState['functionTest'] })).toEqual(['test']);
    expect(kinds({ lots: [{ ...out(), returned: 3, missing: 1, name: 'lid screws' }] })).toEqual([]);
    expect(kinds({ lots: [{ ...out(), returned: 3, name: 'lid screws' }] })).toEqual(['lot']);
    expect(kinds({ connections: [{ name: 'keyboard ribbon', ticked: false }] })).toEqual(['connection']);
    expect(kinds({ curing: [{ name: 'hinge glue', readyAt: new Date('2026-06-21T13:00:00Z') }] })).toEqual(['curing']);
    expect(kinds({ curing: [{ name: 'hinge glue', readyAt: now }] })).toEqual([]);
    expect(kinds({ stepsOff: ['inner shield'] })).toEqual(['step']);
    expect(kinds({ findings: ['crack, lid'] })).toEqual(['finding']);
  });
});

describe('the tray', () => {
  it('fills cell after cell without using one twice, and says when it is full', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 8 }), (columns, rows) => {
        const taken: number[] = [];
        for (let cell = nextCell(taken, { columns, rows }); cell !== null; cell = nextCell(taken, { columns, rows }))
          taken.push(cell);
        expect(taken).toEqual([...Array(columns * rows).keys()]);
        expect(new Set(taken.map((cell) => cellName(cell, { columns, rows }))).size).toBe(taken.length);
      }),
    );
    expect(nextCell([3, 0], { columns: 2, rows: 2 })).toBe(1);
    expect(nextCell([0, 3], { columns: 2, rows: 2 })).toBe(1);
  });

  it('draws length at true proportion', () => {
    const [short, long] = [8, 24].map((lengthMm) => screwShape({ ...LOT, lengthMm }));
    expect(long!.lengthMm / short!.lengthMm).toBe(3);
    expect(long!.headWidthMm).toBe(short!.headWidthMm);
    expect(screwShape({ ...LOT, shank: 'straight' }).tipWidthMm).toBe(3);
    expect(screwShape(LOT).tipWidthMm).toBeLessThan(1);
    expect(Math.max(...long!.threadMm)).toBeLessThan(24);
  });

  it('names a lot as one says it', () => {
    expect(lotWords(LOT)).toBe('4 × cross pan, ⌀ 3 × 8 mm, tapered');
  });
});
