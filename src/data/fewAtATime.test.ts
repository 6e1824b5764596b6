import { setImmediate as turn, setTimeout as pause } from 'node:timers/promises';
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
    const begun: number[] = [];
    const ends = new Map<number, { well: () => void; badly: (failure: Error) => void }>();
    const work = (of: number) =>
      new Promise<void>((well, badly) => {
        begun.push(of);
        ends.set(of, { well, badly });
      });
    let isOver = false;
    const outcome = fewAtATime([0, 1, 2, 3, 4, 5, 6, 7], work)
      .catch((failure: Error) => failure.message)
      .finally(() => (isOver = true));
    await turn();
    ends.get(0)!.well();
    await turn();
    expect(begun).toEqual([0, 1, 2, 3, 4]);
    ends.get(2)!.badly(new RangeError('the third'));
    ends.get(1)!.well();
    await turn();
    expect({ begun, isOver }).toEqual({ begun: [0, 1, 2, 3, 4], isOver: false });
    ends.get(3)!.well();
    ends.get(4)!.well();
    expect(await outcome).toBe('the third');
    expect(begun).toEqual([0, 1, 2, 3, 4]);
  });
});
