/** Four feet of a case, and what stands on them. */
export interface Feet {
  /** Front left, front right, back right, back left. */
  heightsMm: readonly [number, number, number, number];
  /** Between their middles, along the front and from front to back. */
  widthMm: number;
  depthMm: number;
  massKg: number;
  diameterMm: number;
  /** 50 is a soft rubber foot, 95 a hard one. */
  shoreA: number;
}

export interface Stood {
  /** How far one corner hangs free when the other three stand. */
  rockMm: number;
  /** How much of that the weight presses out of feet of this hardness. */
  pressedMm: number;
  rocks: boolean;
  /** The corner to lay something under, and how much; the other one on its diagonal does as well. */
  under: Corner;
  shimMm: number;
  /** The feet in the order in which they rock least, from the front left round, by their numbers 1 to 4. */
  order: [number, number, number, number];
  orderRockMm: number;
  /** How much the front stands over the back, and the left over the right, degrees. */
  forwardDeg: number;
  sidewardDeg: number;
}

export const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const;
type Corner = (typeof CORNERS)[number];

const GRAVITY = 9.81;

/** Young’s modulus of rubber by its Shore A hardness, MPa. Gent, 1958. */
export const rubberMPa = (shoreA: number): number =>
  (0.0981 * (56 + 7.62336 * shoreA)) / (0.137505 * (254 - 2.54 * shoreA));

/** Which foot stands on the diagonal of the first: the only thing in their order that rocking minds. */
const PAIRINGS = [
  [0, 1, 2, 3],
  [0, 2, 1, 3],
  [0, 1, 3, 2],
] as const;

const twist = ([a, b, c, d]: readonly number[]): number => a! + c! - (b! + d!);

/**
 * Whether a stiff case rocks on its four feet: the heights of one diagonal against the other, less what the weight
 * presses out of them (each foot a spring, k = E · area ÷ height).
 */
export function feetLevel({ heightsMm, widthMm, depthMm, massKg, diameterMm, shoreA }: Feet): Stood {
  const off = twist(heightsMm);
  const rockMm = Math.abs(off);
  const meanMm = heightsMm.reduce((sum, one) => sum + one, 0) / 4;
  const stiffness = (rubberMPa(shoreA) * (Math.PI / 4) * diameterMm ** 2) / meanMm;
  const pressedMm = (massKg * GRAVITY) / stiffness;
  // The shorter diagonal: of its two the shorter foot.
  const short = off > 0 ? ([1, 3] as const) : ([0, 2] as const);
  const under = heightsMm[short[0]]! <= heightsMm[short[1]]! ? short[0] : short[1];
  const orders = PAIRINGS.map((order) => ({ order, rock: Math.abs(twist(order.map((i) => heightsMm[i]!))) }));
  const best = orders.reduce((least, one) => (one.rock < least.rock - 1e-9 ? one : least));
  const [fl, fr, br, bl] = heightsMm;
  const degrees = (rise: number, run: number) => (Math.atan2(rise, run) * 180) / Math.PI;
  return {
    ...{ rockMm, pressedMm, rocks: rockMm > pressedMm + 1e-9, under: CORNERS[under]!, shimMm: rockMm },
    order: best.order.map((i) => i + 1) as unknown as Stood['order'],
    orderRockMm: best.rock,
    forwardDeg: degrees((fl + fr - br - bl) / 2, depthMm),
    sidewardDeg: degrees((fl + bl - fr - br) / 2, widthMm),
  };
}
