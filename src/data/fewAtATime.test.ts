import { setTimeout as pause } from 'node:timers/promises';
import { fewAtATime } from './fewAtATime';

describe('a few at a time', () => {
  it('hands over what came of each in order, never more than four at once', async () => {
    let [under, most] = [0, 0];
    const half = async (of: number) => {
      most = Math.max(most, ++under);
      await pause(of % 3);
      under -= 1;
      return of / 2;
    };
    const all = Array.from({ length: 30 }, (_, i) => i);
    expect(await fewAtATime(all, half)).toEqual(all.map((of) => of / 2));
    expect({ most, under }).toEqual({ most: 4, under: 0 });
    expect(await fewAtATime([], half)).toEqual([]);
  });

  it('begins none after one that failed, and throws it when the others are at an end', async () => {
    const [begun, ended]: [number[], number[]] = [[], []];
    const work = async (of: number) => {
      begun.push(of);
      await pause(of === 5 ? 1 : 20);
      if (of === 5) throw new RangeError('the fifth');
      ended.push(of);
    };
    const all = Array.from({ length: 30 }, (_, i) => i);
    await expect(fewAtATime(all, work)).rejects.toThrow('the fifth');
    expect(begun).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(ended).toEqual(begun.filter((of) => of !== 5));
  });
});
