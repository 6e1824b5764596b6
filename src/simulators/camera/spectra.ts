import { Matrix, inverse, solve } from 'ml-matrix';

/**
 * Light, things and sensors by wavelength, 400 to 700 nm every 10 nm, and what a sensor makes of linear sRGB colours
 * under a lamp. Things are smooth spectra that give back their colour under daylight exactly, so that the truth stays
 * what the scene says.
 */
export type Spectrum = readonly number[];

const LENGTHS = Array.from({ length: 31 }, (_, i) => 400 + 10 * i);
export const spectrum = (of: (nm: number) => number): Spectrum => LENGTHS.map(of);

/** A lobe whose two flanks differ. */
export const lobe = (nm: number, peak: number, left: number, right: number) =>
  Math.exp(-0.5 * ((nm - peak) / (nm < peak ? left : right)) ** 2);

/** The standard observer of 2°, by the lobes of Wyman, Sloan and Shirley (2013). */
const OBSERVER: readonly Spectrum[] = [
  spectrum(
    (l) => 1.056 * lobe(l, 599.8, 37.9, 31) + 0.362 * lobe(l, 442, 16, 26.7) - 0.065 * lobe(l, 501.1, 20.4, 26.2),
  ),
  spectrum((l) => 0.821 * lobe(l, 568.8, 46.9, 40.5) + 0.286 * lobe(l, 530.9, 16.3, 31.1)),
  spectrum((l) => 1.217 * lobe(l, 437, 11.8, 36) + 0.681 * lobe(l, 459, 26, 13.8)),
];

/** Components of daylight, CIE 15. */
const DAY = [
  [
    94.8, 104.8, 105.9, 96.8, 113.9, 125.6, 125.5, 121.3, 121.3, 113.5, 113.1, 110.8, 106.5, 108.8, 105.3, 104.4, 100,
    96, 95.1, 89.1, 90.5, 90.3, 88.4, 84, 85.1, 81.9, 82.6, 84.9, 81.3, 71.9, 74.3,
  ],
  [
    43.4, 46.3, 43.9, 37.1, 36.7, 35.9, 32.6, 27.9, 24.3, 20.1, 16.2, 13.2, 8.6, 6.1, 4.2, 1.9, 0, -1.6, -3.5, -3.5,
    -5.8, -7.2, -8.6, -9.5, -10.9, -10.7, -12, -14, -13.6, -12, -13.3,
  ],
  [
    -1.1, -0.5, -0.7, -1.2, -2.6, -2.9, -2.8, -2.6, -2.6, -1.8, -1.5, -1.3, -1.2, -1, -0.5, -0.3, 0, 0.2, 0.5, 2.1, 3.2,
    4.1, 4.7, 5.1, 6.7, 7.3, 8.6, 9.8, 10.2, 8.3, 9.6,
  ],
] as const;

/** Daylight of a colour temperature, 4000 to 25,000 K. */
export function daylight(kelvin: number): Spectrum {
  const t = 1000 / kelvin;
  const x =
    kelvin <= 7000
      ? 0.244063 + 0.09911 * t + 2.9678 * t ** 2 - 4.607 * t ** 3
      : 0.23704 + 0.24748 * t + 1.9018 * t ** 2 - 2.0064 * t ** 3;
  const y = -3 * x * x + 2.87 * x - 0.275;
  const m = 0.0241 + 0.2562 * x - 0.7341 * y;
  const [m1, m2] = [(-1.3515 - 1.7703 * x + 5.9114 * y) / m, (0.03 - 31.4424 * x + 30.0717 * y) / m];
  return DAY[0].map((s0, i) => s0 + m1 * DAY[1][i]! + m2 * DAY[2][i]!);
}

/** A glowing wire: Planck’s law. */
export const glow = (kelvin: number): Spectrum =>
  spectrum(
    (nm) => (560 / nm) ** 5 * ((Math.exp(1.4388e7 / (560 * kelvin)) - 1) / (Math.exp(1.4388e7 / (nm * kelvin)) - 1)),
  );

/** A white LED: a blue chip and the phosphor that it drives, warmer with more of it. */
export function whiteLed(kelvin: number): Spectrum {
  const blue = 0.35 + 0.75 * Math.min(1, Math.max(0, (kelvin - 2700) / 3800));
  const peak = 610 - 50 * Math.min(1, Math.max(0, (kelvin - 2700) / 3800));
  return spectrum((nm) => blue * lobe(nm, 452, 10, 14) + lobe(nm, peak, 55, 62));
}

const D65 = daylight(6504);
const dot = (a: Spectrum, b: Spectrum) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
const product = (a: Spectrum, b: Spectrum): Spectrum => a.map((v, i) => v * b[i]!);

/** Linear sRGB of light by its XYZ, white at 1. */
const TO_RGB = new Matrix([
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
]);
const WHITE = [0.95047, 1, 1.08883];

/**
 * Three smooth reflectances that add up to 1: every linear sRGB colour is one mixture of them, and a grey is flat. Where
 * they meet and how steeply differs from plastic to plastic.
 */
export function pigments({ blueEdge = 500, redEdge = 585, steep = 14 } = {}): readonly Spectrum[] {
  const rise = (nm: number, at: number) => 1 / (1 + Math.exp(-(nm - at) / steep));
  const blue = spectrum((nm) => 1 - rise(nm, blueEdge));
  const red = spectrum((nm) => rise(nm, redEdge));
  return [red, blue.map((b, i) => 1 - b - red[i]!), blue];
}

/** Linear sRGB under daylight of each pigment, one a column. */
function coloursOf(things: readonly Spectrum[]): Matrix {
  const whites = OBSERVER.map((sees) => dot(sees, D65));
  const xyz = new Matrix(
    OBSERVER.map((sees, k) => things.map((thing) => (WHITE[k]! * dot(product(sees, D65), thing)) / whites[k]!)),
  );
  return TO_RGB.mmul(xyz);
}

/** Linear sRGB of a thing under daylight. */
export const colourOf = (thing: Spectrum): number[] => coloursOf([thing]).to1DArray();

/** A sensor: how each of its channels sees. */
export type Sensor = readonly [Spectrum, Spectrum, Spectrum];

const sensor = (red: [number, number], green: [number, number], blue: [number, number], leak: number): Sensor => {
  const channels = [red, green, blue].map(([peak, width]) => spectrum((nm) => lobe(nm, peak, width, width)));
  const all = spectrum((nm) => lobe(nm, 540, 110, 110));
  return channels.map((channel) => channel.map((v, i) => v + leak * all[i]!)) as unknown as Sensor;
};

/** None of them is the eye. */
export const SENSORS: readonly Sensor[] = [
  sensor([602, 36], [536, 42], [458, 27], 0.05),
  sensor([612, 40], [528, 46], [450, 24], 0.08),
  sensor([594, 44], [544, 38], [465, 31], 0.03),
  sensor([606, 32], [532, 50], [446, 30], 0.12),
];

const responses = (eye: Sensor, lamp: Spectrum, things: readonly Spectrum[]): Matrix =>
  new Matrix(eye.map((channel) => things.map((thing) => dot(product(channel, lamp), thing))));

/** What a sensor makes of a white thing under a lamp. */
export const whiteSeen = (eye: Sensor, lamp: Spectrum): number[] =>
  responses(eye, lamp, [spectrum(() => 1)]).to1DArray();

/** Colours that a maker balances a sensor on: other pigments than the plastic’s. */
const CHART = Array.from({ length: 27 }, (_, i) =>
  [i % 3, Math.floor(i / 3) % 3, Math.floor(i / 9)].map((v) => 0.15 + 0.35 * v),
);

/** The matrix that a maker gives a sensor for a lamp: least squares over a chart, white kept white. */
function makersMatrix(eye: Sensor, lamp: Spectrum): Matrix {
  const things = pigments({ blueEdge: 495, redEdge: 590, steep: 10 });
  const white = whiteSeen(eye, lamp);
  const toColour = coloursOf(things);
  const toSensor = responses(eye, lamp, things);
  const mixtures = new Matrix(CHART).transpose();
  const seen = toSensor
    .mmul(mixtures)
    .to2DArray()
    .map((row, c) => row.map((v) => v / white[c]!));
  const wanted = toColour.mmul(mixtures);
  const fit = solve(new Matrix(seen).transpose(), wanted.transpose(), true).transpose();
  return new Matrix(fit.to2DArray().map((row) => row.map((v) => v / row.reduce((sum, w) => sum + w, 0))));
}

/**
 * What a camera makes of linear sRGB colours under a lamp, as a matrix: the spectra of the things, the lamp, the sensor,
 * its balance on the white that it believes in, and its maker’s matrix.
 *
 * @param believed the lamp that the balance takes it for
 */
export function cameraMatrix(eye: Sensor, lamp: Spectrum, believed: Spectrum, things: readonly Spectrum[]): number[] {
  const mixture = inverse(coloursOf(things));
  const whites = whiteSeen(eye, believed);
  const level = whiteSeen(eye, lamp)[1]! / whites[1]!;
  const balanced = Matrix.diag(whites.map((w) => 1 / (w * level)));
  return makersMatrix(eye, believed)
    .mmul(balanced)
    .mmul(responses(eye, lamp, things))
    .mmul(mixture)
    .to1DArray();
}
