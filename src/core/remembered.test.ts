import { remembered } from './remembered';

function counted(most: number) {
  const asked: number[] = [];
  const half = remembered(
    most,
    (of: number) => of,
    (of: number) => {
      asked.push(of);
      if (of % 2 === 1) throw new RangeError(`no half of ${of}`);
      return of / 2;
    },
  );
  return { half, asked };
}

describe('remembered', () => {
  it('works out once what is asked again', () => {
    const { half, asked } = counted(10);
    expect([half(4), half(6), half(4), half(0), half(0)]).toEqual([2, 3, 2, 0, 0]);
    expect(asked).toEqual([4, 6, 0]);
  });

  it('keeps no more than it was told', () => {
    const { half, asked } = counted(2);
    for (const each of [2, 4, 6, 6, 2]) expect(half(each)).toBe(each / 2);
    expect(asked).toEqual([2, 4, 6, 2]);
  });

  it('keeps nothing of what fails', () => {
    const { half, asked } = counted(2);
    expect(() => half(3)).toThrow('no half of 3');
    expect(() => half(3)).toThrow('no half of 3');
    expect(asked).toEqual([3, 3]);
  });
});
