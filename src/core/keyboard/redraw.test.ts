import fc from 'fast-check';
import { blockOf, checkLayout, type BoardKey } from './layout';
import { alignRow, joinKeys, splitKey } from './redraw';

const key = (id: string, x: number, y: number, w = 16, h = 16): BoardKey => ({
  ...{ id, x, y, w, h, row: 'R1', column: 'C1' },
});

describe('a key drawn anew', () => {
  it('splits across its longer side; the second half is on no line', () => {
    expect(splitKey([key('space', 10, 40, 90)], 'space', 'b')).toEqual([
      key('space', 10, 40, 45),
      { ...key('b', 55, 40, 45), row: null, column: null },
    ]);
    expect(splitKey([key('enter', 10, 0, 16, 36)], 'enter', 'b')).toEqual([
      key('enter', 10, 0, 16, 18),
      { ...key('b', 10, 18, 16, 18), row: null, column: null },
    ]);
  });

  it('joins to what reaches round all, under the first name', () => {
    expect(joinKeys([key('b', 20, 1), key('a', 2, 0), key('c', 60, 0)], ['a', 'b'])).toEqual([
      key('a', 2, 0, 34, 17),
      key('c', 60, 0),
    ]);
  });

  it('stands in one row at the middle of what they are', () => {
    expect(
      alignRow([key('a', 0, 10), key('b', 20, 11.5), key('c', 40, 16, 16, 15), key('d', 0, 60)], ['a', 'b', 'c']),
    ).toEqual([key('a', 0, 11.5), key('b', 20, 11.5), key('c', 40, 11.5), key('d', 0, 60)]);
  });

  it('asks for two where one is chosen, and says what is gone', () => {
    expect(() => joinKeys([key('a', 0, 0)], ['a'])).toThrow('Choose the two keys');
    expect(() => alignRow([key('a', 0, 0)], ['a'])).toThrow('Choose the two keys');
    expect(() => splitKey([key('a', 0, 0)], 'b', 'c')).toThrow('“b” is not on the board');
  });

  it('split and joined is what it was, and split it is still a layout that can be', () => {
    const board = blockOf('staggered', 11, 5);
    fc.assert(
      fc.property(fc.constantFrom(...board.keys.map(({ id }) => id)), (id) => {
        const split = splitKey(board.keys, id, 'other half');
        checkLayout({ ...board, keys: split });
        expect(joinKeys(split, [id, 'other half'])).toEqual(
          board.keys.map((one) => (one.id === id ? expect.objectContaining({ id, x: one.x, y: one.y }) : one)),
        );
        const was = board.keys.find((one) => one.id === id)!;
        const is = joinKeys(split, [id, 'other half']).find((one) => one.id === id)!;
        expect(Math.abs(is.w - was.w) + Math.abs(is.h - was.h)).toBeLessThan(0.11);
      }),
    );
  });
});
