import fc from 'fast-check';
import type { FoundSheet } from '@/core/picture/greySheetPlan';
import { missingWords, moveCorner, moveShape, newShape, shapesOf, sheetWords, specOf } from './shapes';

const view = { x: 0, y: 0, width: 800, height: 600 };
const place = fc.tuple(fc.integer({ min: 0, max: 800 }), fc.integer({ min: 0, max: 600 }));

it('a card patch stays a rectangle whichever way its corners are dragged', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), place), { maxLength: 6 }), (moves) => {
      const shape = moves.reduce((s, [corner, to]) => moveCorner(s, corner, to), newShape('card', view, 0));
      expect(new Set(shape.points.map(([x]) => x)).size).toBeLessThanOrEqual(2);
      expect(new Set(shape.points.map(([, y]) => y)).size).toBeLessThanOrEqual(2);
      const last = moves[moves.length - 1];
      if (last) expect(shape.points).toContainEqual(last[1]);
    }),
  );
});

it('a shape moves as a whole and never leaves the picture', () => {
  fc.assert(
    fc.property(fc.tuple(fc.integer({ min: -2000, max: 2000 }), fc.integer({ min: -2000, max: 2000 })), (by) => {
      const before = newShape('piece', view, 0);
      const moved = moveShape(before, by, 800, 600);
      for (const [x, y] of moved.points) expect(x >= 0 && x <= 800 && y >= 0 && y <= 600).toBe(true);
      expect(moved.points[2]![0] - moved.points[0]![0]).toBeCloseTo(before.points[2]![0] - before.points[0]![0], 9);
    }),
  );
});

it('the drawing becomes a spec: hidden patch in the picture first, else the known one', () => {
  const shapes = [newShape('card', view, 0), newShape('piece', view, 0)];
  expect(specOf(shapes, [87, 0, 5])).toMatchObject({
    referenceLab: [87, 0, 5],
    card: [{ kind: 'known', srgb: [160, 160, 160] }],
  });
  expect(specOf([...shapes, newShape('hidden', view, 0)], [87, 0, 5])).toMatchObject({ reference: 'hidden' });
  expect(specOf([{ ...shapes[0]!, paper: true }, shapes[1]!], null).card[0]!.kind).toBe('paper');
});

describe('a sheet of greys in the picture', () => {
  const sheet: FoundSheet = {
    number: 3,
    corners: [
      [0, 0],
      [90, 0],
      [90, 30],
      [0, 30],
    ],
    greys: [0, 1, 2, 3, 4].map((i) => [5 + 16 * i, 8, 10, 10] as const),
  };
  const found = { card: null, sheet, piece: null, hidden: null };
  const known = [{ number: 3, greys: [[214, 213, 211], [170, 170, 170], null, null, null], at: '' }] as const;
  const sheets = known.map((one) => ({ ...one, greys: one.greys.map((grey) => grey && ([...grey] as const)) }));

  it('that is calibrated counts with the greys that are told', () => {
    const { card } = specOf(shapesOf(found as never, [160, 160, 160], sheets as never), null);
    expect(card).toEqual([
      { rect: [5, 8, 10, 10], srgb: [214, 213, 211], kind: 'known', sheet: 3 },
      { rect: [21, 8, 10, 10], srgb: [170, 170, 170], kind: 'known', sheet: 3 },
    ]);
    expect(sheetWords(sheet, sheets as never)).toBe('Sheet of greys 3: 2 known greys.');
    expect(missingWords(found as never, true)).not.toContain('grey card');
  });

  it('that nobody calibrated counts as paper, and less than a card does', () => {
    expect(specOf(shapesOf(found as never, [160, 160, 160], []), null).card).toEqual([
      { rect: [5, 8, 10, 10], srgb: [160, 160, 160], kind: 'paper', sheet: 3 },
    ]);
    expect(sheetWords(sheet, [])).toContain('nobody calibrated it');
    expect(sheetWords(null, [])).toBe('');
    const carded = { ...found, card: [100, 100, 20, 20] };
    expect(specOf(shapesOf(carded as never, [160, 160, 160], []), null).card).toEqual([
      { rect: [100, 100, 20, 20], srgb: [160, 160, 160], kind: 'known' },
    ]);
  });
});
