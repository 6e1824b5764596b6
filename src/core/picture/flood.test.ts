import fc from 'fast-check';
import { heldTogether } from './flood';

it('cells that touch are one piece, corners too; what does not touch is another', () => {
  // prettier-ignore
  const map = [
    1, 0, 0, 1,
    0, 1, 0, 1,
    0, 0, 0, 0,
    1, 0, 0, 0,
  ];
  expect(heldTogether(map, 4, 4).map((cells) => cells.sort((a, b) => a - b))).toEqual([[0, 5], [3, 7], [12]]);
  expect(heldTogether([], 0, 0)).toEqual([]);
});

it('every wanted cell lies in one piece and in no other, and no two pieces touch', () => {
  const [columns, rows] = [9, 7];
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: columns * rows, maxLength: columns * rows }), (wanted) => {
      const pieces = heldTogether(wanted.map(Number), columns, rows);
      expect(pieces.flat().sort((a, b) => a - b)).toEqual(wanted.flatMap((is, cell) => (is ? [cell] : [])));
      const owner = new Map(pieces.flatMap((cells, i) => cells.map((cell) => [cell, i] as const)));
      for (const [cell, i] of owner)
        for (const [dx, dy] of [
          [1, 0],
          [0, 1],
          [1, 1],
          [-1, 1],
        ] as const) {
          const [column, row] = [(cell % columns) + dx, Math.floor(cell / columns) + dy];
          if (column < 0 || column >= columns || row >= rows) continue;
          expect(owner.get(row * columns + column) ?? i).toBe(i);
        }
    }),
  );
});
