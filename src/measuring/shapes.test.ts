import fc from 'fast-check';
import { moveCorner, moveShape, newShape, specOf } from './shapes';

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
