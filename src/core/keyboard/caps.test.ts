import fc from 'fast-check';
import { countFault, lookAlikes, lying, wayBack, wideKeys, type LooseCount } from './caps';
import { blockOf, type BoardKey } from './layout';

const key = (id: string, x: number, y: number, w = 16, h = 16): BoardKey => ({
  ...{ id, x, y, w, h, row: null, column: null },
});

const board = [
  key('q', 0, 0),
  key('o', 20, 0),
  key('0', 40, 0),
  key('shift l', 0, 20, 30),
  key('x', 40, 20),
  key('shift r', 60, 20, 40),
  key('space', 20, 40, 90),
  key('up', 120, 20),
  key('down', 120, 40),
  key('left', 100, 60),
  key('right', 140, 60),
];

describe('caps', () => {
  it('are wide from 1.6 of the usual width on, and not where they are only tall', () => {
    expect(wideKeys(board).map(({ id }) => id)).toEqual(['shift l', 'shift r', 'space']);
    expect(wideKeys([...board, key('tall', 160, 0, 16, 36)]).map(({ id }) => id)).not.toContain('tall');
    const just = (w: number) => wideKeys([key('a', 0, 0), key('b', 20, 0), key('c', 40, 0, w)]).length;
    expect([just(25.5), just(25.7)]).toEqual([0, 1]);
  });

  it('look alike by size and legend: arrows, both shifts, o and 0', () => {
    expect(lookAlikes(board)).toEqual([
      ['o', '0'],
      ['shift l', 'shift r'],
      ['up', 'down', 'left', 'right'],
    ]);
  });

  it('do not look alike on caps of another size', () => {
    expect(lookAlikes([key('6', 0, 0), key('9', 20, 0, 18)])).toEqual([]);
  });

  it('go back wide ones first, look-alikes group by group, then row by row', () => {
    const off = board.map(({ id }) => id);
    expect(wayBack(board, off).map(({ kind, keys }) => [kind, ...keys])).toEqual([
      ['wide', 'shift l'],
      ['wide', 'shift r'],
      ['wide', 'space'],
      ['look-alikes', 'o', '0'],
      ['look-alikes', 'up', 'down', 'left', 'right'],
      ['row', 'q'],
      ['row', 'x'],
    ]);
  });

  it('go back each once, whichever are off', () => {
    const { keys } = blockOf('staggered', 9, 5);
    fc.assert(
      fc.property(fc.subarray(keys.map(({ id }) => id)), (off) => {
        const back = wayBack(keys, off).flatMap((step) => step.keys);
        expect([...back].sort()).toEqual([...off].sort());
      }),
      { numRuns: 60 },
    );
  });
});

describe('a count of loose parts', () => {
  const count = (more: Partial<LooseCount>): LooseCount => ({
    ...{ part: 'springs', came: 60, cleaned: 0, back: 0, lost: 0, donor: 0 },
    ...more,
  });

  it('adds up once all that came out are back, lost ones made good by a donor’s', () => {
    expect(lying(count({ back: 60 }))).toBe(0);
    expect(lying(count({ back: 59, lost: 1 }))).toBe(0);
    expect(lying(count({ back: 59, lost: 1, donor: 1 }))).toBe(1);
    expect(lying(count({ back: 60, lost: 1, donor: 1 }))).toBe(0);
  });

  it('is refused where it cannot be', () => {
    expect(countFault(count({ back: 60 }))).toBeNull();
    expect(countFault(count({ back: 61 }))).toMatch(/61 of springs cannot be back/);
    expect(countFault(count({ cleaned: 61 }))).toMatch(/cannot be clean/);
    expect(countFault(count({ lost: 61 }))).toMatch(/cannot be lost/);
  });
});
