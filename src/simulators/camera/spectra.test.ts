import { cameraMatrix, daylight, glow, pigments, SENSORS, whiteLed, whiteSeen } from './spectra';

const apply = (matrix: number[], rgb: number[]) =>
  [0, 1, 2].map((r) => rgb.reduce((sum, v, c) => sum + matrix[3 * r + c]! * v, 0));

it('daylight of 6504 K has its tabled powers, warmer light more red', () => {
  const d65 = daylight(6504);
  // CIE 15: 400 nm 82.75, 500 nm 109.35, 600 nm 90.01, 700 nm 71.61, against 100 at 560 nm.
  for (const [i, power] of [
    [0, 82.75],
    [10, 109.35],
    [20, 90.01],
    [30, 71.61],
  ] as const)
    expect(d65[i]! / d65[16]!).toBeCloseTo(power / 100, 2);
  const red = (light: readonly number[]) => light[25]! / light[5]!;
  expect(red(glow(2700))).toBeGreaterThan(red(whiteLed(2700)));
  expect(red(whiteLed(2700))).toBeGreaterThan(red(whiteLed(6000)));
  expect(red(glow(2700))).toBeGreaterThan(red(daylight(5000)));
});

it('a camera balanced rightly keeps greys grey under every lamp; other colours come out off', () => {
  for (const eye of SENSORS)
    for (const lamp of [daylight(6504), daylight(5000), glow(2800), whiteLed(4000)]) {
      const matrix = cameraMatrix(eye, lamp, lamp, pigments());
      apply(matrix, [0.4, 0.4, 0.4]).forEach((v) => expect(v).toBeCloseTo(0.4, 6));
      const off = Math.max(...apply(matrix, [0.6, 0.5, 0.2]).map((v, c) => Math.abs(v - [0.6, 0.5, 0.2][c]!)));
      expect(off).toBeGreaterThan(0.001);
      expect(off).toBeLessThan(0.2);
    }
});

it('a balance on the wrong lamp leaves a cast, as strong as it is wrong', () => {
  const eye = SENSORS[0]!;
  const cast = (believed: number) => {
    const [r, , b] = apply(cameraMatrix(eye, glow(2800), glow(believed), pigments()), [0.4, 0.4, 0.4]);
    return r! / b!;
  };
  expect(cast(2800)).toBeCloseTo(1, 6);
  expect(cast(3200)).toBeGreaterThan(1.1);
  expect(cast(5000)).toBeGreaterThan(cast(3200));
  expect(whiteSeen(eye, glow(2800))[0]!).toBeGreaterThan(whiteSeen(eye, glow(2800))[2]!);
});
