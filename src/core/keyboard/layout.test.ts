import fc from 'fast-check';
import { wiringOf } from './board';
import { BLOCKS, blockOf, checkLayout, guessLines, inRows, isWired, lineAlong, MOST_ACROSS, MOST_DOWN } from './layout';

const anyBlock = fc
  .tuple(fc.constantFrom(...BLOCKS), fc.integer({ min: 1, max: MOST_ACROSS }), fc.integer({ min: 1, max: MOST_DOWN }))
  .map(([block, across, down]) => blockOf(block, across, down));

it('every block is a keyboard: keys apart, inside of the field, in their rows', () => {
  fc.assert(
    fc.property(anyBlock, (board) => {
      expect(() => checkLayout(board)).not.toThrow();
      expect(inRows(board.keys).flat()).toHaveLength(board.keys.length);
    }),
  );
});

it('guessed lines put every key on one row and one column, and fit together', () => {
  fc.assert(
    fc.property(anyBlock, (board) => {
      const { keys, lines } = guessLines(board.keys);
      expect(isWired({ keys })).toBe(true);
      expect(() =>
        wiringOf({ keys: keys.map(({ id, row, column }) => ({ id, row: row!, column: column! })), lines }),
      ).not.toThrow();
      for (const kind of ['row', 'column'] as const)
        expect(
          lines
            .filter((line) => line.kind === kind)
            .flatMap(({ route }) => route)
            .sort(),
        ).toEqual(keys.map(({ id }) => id).sort());
    }),
  );
});

it('a line laid anew takes its keys from the others of its kind, and leaves none of its own behind', () => {
  const board = blockOf('grid', 4, 3);
  const wired = guessLines(board.keys);
  const after = lineAlong(wired, {
    id: 'R1',
    kind: 'row',
    route: ['b1', 'a2', 'a1'],
    foldAfter: ['connector', 'b1', 'c4'],
  });
  expect(after.lines.find(({ id }) => id === 'R1')).toEqual({
    ...{ id: 'R1', kind: 'row', route: ['b1', 'a2', 'a1'], foldAfter: ['connector', 'b1'] },
  });
  expect(after.lines.find(({ id }) => id === 'R2')!.route).toEqual(['b2', 'b3', 'b4']);
  expect(after.keys.find(({ id }) => id === 'a3')!.row).toBeNull();
  expect(after.keys.find(({ id }) => id === 'b1')).toMatchObject({ row: 'R1', column: 'C1' });
  expect(isWired(after)).toBe(false);
  expect(after.lines.map(({ id }) => id)).toEqual(wired.lines.map(({ id }) => id));
  const without = lineAlong(wired, { id: 'C2', kind: 'column', route: [], foldAfter: [] });
  expect(without.lines.some(({ id }) => id === 'C2')).toBe(false);
  expect(without.keys.filter(({ column }) => column === null).map(({ id }) => id)).toEqual(['a2', 'b2', 'c2']);
  expect(() => lineAlong(wired, { id: 'R1', kind: 'row', route: ['nobody'], foldAfter: [] })).toThrow('no such key');
  expect(() => lineAlong(wired, { id: 'R1', kind: 'row', route: ['a1', 'a1'], foldAfter: [] })).toThrow('twice');
});

it('what is no keyboard is said: nothing, too much, twice, outside, on one another', () => {
  const board = blockOf('grid', 2, 2);
  const [first, second] = board.keys as [(typeof board.keys)[number], (typeof board.keys)[number]];
  const bad = (keys: typeof board.keys) => () => checkLayout({ ...board, keys });
  expect(bad([])).toThrow('at least one key');
  const many = Array.from({ length: 300 }, (_, i) => ({ ...first, id: `k${i}` }));
  expect(bad(many)).toThrow('300 keys');
  expect(bad([first, { ...second, id: first.id }])).toThrow('Two keys are called');
  expect(bad([first, { ...second, x: 400 }])).toThrow('outside of the field');
  expect(bad([first, { ...second, x: first.x + 3 }])).toThrow('lies on');
  // A hair of overlap is how keys are drawn by hand.
  expect(bad([first, { ...second, x: first.x + first.w - 4 }])).not.toThrow();
  expect(() => checkLayout({ ...board, keys: [first] })).not.toThrow();
});
