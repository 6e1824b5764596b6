import { rebuildOrder } from './rebuildOrder';

/** The traps that the craft page tells of under Rebuild, each with the block that disarms it. */
describe('the traps of rebuilding', () => {
  it('the forgotten inner shield goes on before the outer one', () => {
    // The inner shield lay loose and was seen only after the outer one and the board were off.
    const off = ['lid screws', 'lid', 'inner shield', 'outer shield', 'board'];
    expect(rebuildOrder(off, []).order.indexOf('inner shield')).toBeGreaterThan(
      rebuildOrder(off, []).order.indexOf('outer shield'),
    );
    const { order, early, inversions } = rebuildOrder(off, [{ first: 'inner shield', then: 'outer shield' }]);
    expect(order).toEqual(['board', 'inner shield', 'outer shield', 'lid', 'lid screws']);
    expect(early).toEqual([{ step: 'inner shield', placesEarlier: 1 }]);
    expect(inversions).toBe(1);
  });

  it('the three longer screws go in before the keyboard is closed', () => {
    const off = ['three long screws', 'keyboard back plate', 'keyboard', 'bottom'];
    const { order, early } = rebuildOrder(off, [{ first: 'three long screws', then: 'keyboard' }]);
    expect(order.indexOf('three long screws')).toBeLessThan(order.indexOf('keyboard'));
    expect(early.map(({ step }) => step)).toContain('three long screws');
  });

  it('the rod is under its two tabs before the space bar goes on', () => {
    const off = ['space bar', 'other caps', 'rod', 'frame'];
    expect(rebuildOrder(off, []).early).toEqual([]);
    const slipped = ['rod', 'space bar', 'frame'];
    const { order } = rebuildOrder(slipped, [{ first: 'rod', then: 'space bar' }]);
    expect(order).toEqual(['frame', 'rod', 'space bar']);
  });

  it('the cable goes through its hole before the board lies over it', () => {
    const off = ['cable clip', 'lid', 'cable', 'board', 'bottom plate'];
    const { order, lowerBound, inversions } = rebuildOrder(off, [
      { first: 'cable', then: 'board' },
      { first: 'bottom plate', then: 'board' },
    ]);
    expect(order).toEqual(['bottom plate', 'cable', 'board', 'lid', 'cable clip']);
    expect(lowerBound).toBe(inversions);
  });
});
