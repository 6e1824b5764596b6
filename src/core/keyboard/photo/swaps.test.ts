import fc from 'fast-check';
import { swapped } from './swaps';

/** Likeness of the cap at one key to that which stood at another; 0.2 where nothing is said. */
const table =
  (likeness: Record<string, number>) =>
  (i: number, j: number): number =>
    likeness[`${i}${j}`] ?? 0.2;
const any = () => true;
const told = (of: readonly number[], likeness: Record<string, number>, differ = any) =>
  Object.fromEntries(swapped(of, any, table(likeness), differ));

describe('caps that changed places', () => {
  it('are named where each looks like the other’s by clearly more than like its own', () => {
    expect(told([0, 1], { '01': 0.8, '10': 0.8, '00': 0.75, '11': 0.75 })).toEqual({ 0: 1, 1: 0 });
    // Both together by less than 0.06.
    expect(told([0, 1], { '01': 0.78, '10': 0.77, '00': 0.75, '11': 0.75 })).toEqual({ 0: 0, 1: 1 });
  });

  it('are not named where they look like nothing that was there', () => {
    expect(told([0, 1], { '01': 0.56, '10': 0.56, '00': 0.3, '11': 0.3 })).toEqual({ 0: 1, 1: 0 });
    expect(told([0, 1], { '01': 0.53, '10': 0.53, '00': 0.3, '11': 0.3 })).toEqual({});
    // A little less than alike is still a cap at its own place.
    expect(told([0], { '00': 0.5 })).toEqual({ 0: 0 });
    expect(told([0], { '00': 0.48 })).toEqual({});
  });

  it('are not told apart where what is printed on them is one', () => {
    expect(told([0, 1], { '01': 0.9, '10': 0.9, '00': 0.6, '11': 0.6 }, () => false)).toEqual({ 0: 0, 1: 1 });
  });

  it('are paired so that all of them gain most, though one pair by itself would gain more', () => {
    const likeness = {
      ...{ '12': 0.95, '21': 0.95, '01': 0.9, '10': 0.9, '23': 0.9, '32': 0.9 },
      ...{ '00': 0.4, '11': 0.5, '22': 0.5, '33': 0.4 },
    };
    expect(told([0, 1, 2, 3], likeness)).toEqual({ 0: 1, 1: 0, 2: 3, 3: 2 });
  });

  it('are not named where the cap that one looks like stands at its own place', () => {
    expect(told([0, 1], { '01': 0.9, '00': 0.3, '11': 0.9, '10': 0.2 })).toEqual({ 1: 1 });
  });

  it('are followed round where three of them went round', () => {
    const likeness = { '01': 0.9, '12': 0.9, '20': 0.9, '00': 0.3, '11': 0.3, '22': 0.3 };
    expect(told([0, 1, 2], likeness)).toEqual({ 0: 1, 1: 2, 2: 0 });
  });

  it('stand in one place only, and never in one of another size', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 36, maxLength: 36 }), (values) => {
        const fits = (i: number, j: number) => i % 2 === j % 2;
        const found = swapped([0, 1, 2, 3, 4, 5], fits, (i, j) => values[6 * i + j]!, any);
        for (const [i, j] of found) {
          expect(fits(i, j)).toBe(true);
          if (i !== j) expect(found.get(j)).not.toBe(j);
        }
        const paired = [...found].filter(([i, j]) => i !== j && found.get(j) === i);
        expect(new Set(paired.map(([, j]) => j)).size).toBe(paired.length);
      }),
    );
  });
});
