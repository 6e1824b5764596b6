import { Matrix, inverse } from 'ml-matrix';
import { codeOfLinear } from '@/core/colour/bulk';
import { FROM_CONES, TO_CONES } from '@/core/colour/cones';
import type { Lab } from '@/core/colour/types';
import type { Picture, Point } from '@/core/picture/picture';
import type { MeasureSpec } from '@/core/picture/spec';
import { homographyThrough, type Homography } from '@/core/picture/homography';
import { develop, type Phone } from './phone';
import { innerRect, projectBox } from './projection';
import { seededRandom } from './random';
import { trueLab, type Scene } from './scene';
import { paintTexture, type Texture } from './texture';

/** How a photograph of a scene is taken. */
export interface Shot {
  width: number;
  height: number;
  /** Gains of long, medium and short cone light: the colour of the lamp as the camera's own balance leaves it. */
  light: readonly [number, number, number];
  exposure: number;
  /** Change of the light across the picture, as a share, and the direction towards which it grows. */
  gradient: { share: number; angleDeg: number };
  /** 0 from straight above, 1 strongly from the front. */
  tilt: number;
  turnDeg: number;
  blurPx: number;
  /** Noise of the sensor at middle grey, in 8-bit codes. */
  noiseCodes: number;
  seed: number;
  /** Lamps, lens and phone of a real room; without it one lamp without spectrum, and a plain sensor. */
  room?: Room;
  /** A camera that stands somewhere, with the bend of its lens, in place of `tilt` and `turnDeg`. */
  pinhole?: { view: Homography; bend: Bend };
}

/** What a lens does to a picture: of radius r in half diagonals a share a r² + b r⁴ + c r⁶, and a little aslant. */
interface Bend {
  a: number;
  b: number;
  c: number;
  aslant: readonly [number, number];
}

/** Where a pixel would lie without the bend of the lens, written to `out`. */
function straightened({ width, height }: Shot, { a, b, c, aslant: [p, q] }: Bend) {
  const s = Math.hypot(width, height) / 2;
  return (x: number, y: number, out: Float64Array): void => {
    const [u, v] = [(x + 0.5 - width / 2) / s, (y + 0.5 - height / 2) / s];
    const r2 = u * u + v * v;
    const grown = 1 + r2 * (a + r2 * (b + r2 * c));
    out[0] = width / 2 - 0.5 + s * (u * grown + 2 * p * u * v + q * (r2 + 2 * u * u));
    out[1] = height / 2 - 0.5 + s * (v * grown + p * (r2 + 2 * v * v) + 2 * q * u * v);
  };
}

/** A lamp of a room: what it makes of colours, and where its light falls. */
interface Lamp {
  /** Linear sRGB to the camera's, see `cameraMatrix`. */
  matrix: readonly number[];
  /** Where it stands, in widths of the picture from its middle; how far off, and its share of the light in the middle. */
  at: readonly [number, number];
  distance: number;
  share: number;
}

export interface Room {
  lamps: readonly Lamp[];
  /** Light lost in the corners, as a share. */
  vignette: number;
  /** Light scattered in the lens, as a share of the mean. */
  flare: number;
  /** Something between lamp and bench: an edge with its direction and softness, in widths of the picture, and what it takes. */
  shadow: { at: readonly [number, number]; angleDeg: number; soft: number; depth: number } | null;
  /** A lamp mirrored in the plastic. */
  glare: { at: readonly [number, number]; radius: number; strength: number } | null;
  phone: Phone;
}

export const PLAIN_SHOT: Shot = {
  width: 1600,
  height: 1200,
  light: [1, 1, 1],
  exposure: 0.92,
  gradient: { share: 0.04, angleDeg: 35 },
  tilt: 0.25,
  turnDeg: 0,
  blurPx: 0.7,
  noiseCodes: 1.5,
  seed: 1,
};

/** Lights as a phone's own white balance leaves them. */
export const LIGHTS = {
  daylight: [1, 1, 1],
  'north window': [0.97, 1, 1.08],
  'warm lamp': [1.06, 0.99, 0.78],
  'cold tube': [0.95, 1.02, 1.12],
  'shed dusk': [1.04, 0.98, 0.9],
} as const satisfies Record<string, Shot['light']>;

export interface Taken {
  picture: Picture;
  /** Where the scene's card and regions lie in the picture. */
  spec: Required<Pick<MeasureSpec, 'card' | 'regions'>>;
  truth: Record<string, Lab>;
}

// Lamps act on cones, so that a per-channel gain in RGB does not undo them exactly, as with a real camera.
const lightMatrix = (light: Shot['light']): number[] =>
  FROM_CONES.mmul(Matrix.diag([...light]))
    .mmul(TO_CONES)
    .to1DArray();

/** Where the bench plane (mm) lands in the picture. */
function viewOf(scene: Scene, shot: Shot): Homography {
  const { widthMm: w, heightMm: h } = scene;
  const fit = Math.min(shot.width / w, shot.height / h);
  const angle = (shot.turnDeg * Math.PI) / 180;
  const place = ([x, y]: Point): Point => {
    const dx = (x - w / 2) * fit;
    const dy = (y - h / 2) * fit;
    const rx = dx * Math.cos(angle) - dy * Math.sin(angle);
    const ry = dx * Math.sin(angle) + dy * Math.cos(angle);
    const depth = 1 - shot.tilt * 0.35 * (ry / shot.height);
    return [shot.width / 2 + rx / depth, shot.height / 2 + (ry * (1 - 0.08 * shot.tilt)) / depth];
  };
  const corners: Point[] = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
  return homographyThrough(corners, corners.map(place));
}

/** Takes a photograph: view, light, lens and sensor, in this order. The same shot gives the same picture. */
export function takePhotograph(scene: Scene, shot: Shot): Taken {
  const pxPerMm = Math.min(shot.pinhole ? 9 : 6, (1.1 * shot.width) / scene.widthMm);
  const view = shot.pinhole?.view ?? viewOf(scene, shot);
  const light = seen(paintTexture(scene, pxPerMm, shot.seed), view, shot);
  blur(light, shot.width, shot.height, shot.blurPx);
  return {
    picture: read(light, shot),
    spec: {
      card: scene.card.map(({ box, srgb }) => ({
        rect: innerRect(projectBox(view, box)),
        srgb,
        kind: 'known' as const,
      })),
      regions: scene.regions.map(({ id, box }) => ({ id, polygon: projectBox(view, box) })),
    },
    truth: Object.fromEntries(scene.regions.map(({ id }) => [id, trueLab(scene, id)])),
  };
}

/** Light that reaches the sensor: the texture through the view, under the lamp and its gradient. */
function seen(texture: Texture, view: Homography, shot: Shot): Float32Array {
  const back = inverse(new Matrix([view.slice(0, 3), view.slice(3, 6), view.slice(6, 9)])).to1DArray();
  const lamp = lightMatrix(shot.light);
  const angle = (shot.gradient.angleDeg * Math.PI) / 180;
  const widest = Math.max(1, Math.abs(Math.cos(angle)) + Math.abs(Math.sin(angle)));
  const [gx, gy] = [(Math.cos(angle) * shot.gradient.share) / widest, (Math.sin(angle) * shot.gradient.share) / widest];
  if (shot.room) return seenInRoom(texture, back, shot, shot.room);
  const out = new Float32Array(3 * shot.width * shot.height);
  const { width: tw, height: th, pxPerMm, rgb } = texture;
  const straighten = shot.pinhole && straightened(shot, shot.pinhole.bend);
  const sight = new Float64Array(2);
  for (let y = 0, o = 0; y < shot.height; y++)
    for (let x = 0; x < shot.width; x++, o += 3) {
      sight[0] = x;
      sight[1] = y;
      straighten?.(x, y, sight);
      const sx = sight[0];
      const sy = sight[1];
      const w = back[6]! * sx + back[7]! * sy + back[8]!;
      const u = Math.min(tw - 1.001, Math.max(0, ((back[0]! * sx + back[1]! * sy + back[2]!) / w) * pxPerMm - 0.5));
      const v = Math.min(th - 1.001, Math.max(0, ((back[3]! * sx + back[4]! * sy + back[5]!) / w) * pxPerMm - 0.5));
      const iu = u | 0;
      const iv = v | 0;
      const fu = u - iu;
      const fv = v - iv;
      const p = 3 * (iv * tw + iu);
      const q = p + 3 * tw;
      const level = shot.exposure * (1 + gx * (x / shot.width - 0.5) + gy * (y / shot.height - 0.5));
      const [w00, w10, w01, w11] = [(1 - fu) * (1 - fv), fu * (1 - fv), (1 - fu) * fv, fu * fv];
      const r = w00 * rgb[p]! + w10 * rgb[p + 3]! + w01 * rgb[q]! + w11 * rgb[q + 3]!;
      const g = w00 * rgb[p + 1]! + w10 * rgb[p + 4]! + w01 * rgb[q + 1]! + w11 * rgb[q + 4]!;
      const b = w00 * rgb[p + 2]! + w10 * rgb[p + 5]! + w01 * rgb[q + 2]! + w11 * rgb[q + 5]!;
      out[o] = level * (lamp[0]! * r + lamp[1]! * g + lamp[2]! * b);
      out[o + 1] = level * (lamp[3]! * r + lamp[4]! * g + lamp[5]! * b);
      out[o + 2] = level * (lamp[6]! * r + lamp[7]! * g + lamp[8]! * b);
    }
  return out;
}

/** How much of a lamp's light falls on a place, 1 in the middle of the picture: it falls off with the square of the distance. */
const fallOff = ({ at: [ax, ay], distance }: Lamp, x: number, y: number) =>
  (ax * ax + ay * ay + distance * distance) / ((ax - x) ** 2 + (ay - y) ** 2 + distance * distance);

/** The same under the lamps of a room: each with its own colour and fall-off, shadow and glare on the piece, lens shade and flare. */
function seenInRoom(
  { width: tw, height: th, pxPerMm, rgb }: Texture,
  back: readonly number[],
  shot: Shot,
  room: Room,
): Float32Array {
  const { width, height, exposure } = shot;
  const { lamps, vignette, flare, shadow, glare } = room;
  const out = new Float32Array(3 * width * height);
  const edge = shadow && {
    cos: Math.cos((shadow.angleDeg * Math.PI) / 180),
    sin: Math.sin((shadow.angleDeg * Math.PI) / 180),
  };
  const sums = [0, 0, 0];
  const straighten = shot.pinhole && straightened(shot, shot.pinhole.bend);
  const sight = new Float64Array(2);
  for (let py = 0, o = 0; py < height; py++)
    for (let px = 0; px < width; px++, o += 3) {
      sight[0] = px;
      sight[1] = py;
      straighten?.(px, py, sight);
      const sx = sight[0];
      const sy = sight[1];
      const w = back[6]! * sx + back[7]! * sy + back[8]!;
      const u = Math.min(tw - 1.001, Math.max(0, ((back[0]! * sx + back[1]! * sy + back[2]!) / w) * pxPerMm - 0.5));
      const v = Math.min(th - 1.001, Math.max(0, ((back[3]! * sx + back[4]! * sy + back[5]!) / w) * pxPerMm - 0.5));
      const [iu, iv] = [u | 0, v | 0];
      const [fu, fv] = [u - iu, v - iv];
      const p = 3 * (iv * tw + iu);
      const q = p + 3 * tw;
      const [w00, w10, w01, w11] = [(1 - fu) * (1 - fv), fu * (1 - fv), (1 - fu) * fv, fu * fv];
      const [x, y] = [px / width - 0.5, (py - height / 2) / width];
      let shine = 0;
      if (glare) {
        const d = Math.hypot(x - glare.at[0], y - glare.at[1]) / glare.radius;
        if (d < 3) shine = glare.strength * Math.exp(-d * d);
      }
      const r = shine + w00 * rgb[p]! + w10 * rgb[p + 3]! + w01 * rgb[q]! + w11 * rgb[q + 3]!;
      const g = shine + w00 * rgb[p + 1]! + w10 * rgb[p + 4]! + w01 * rgb[q + 1]! + w11 * rgb[q + 4]!;
      const b = shine + w00 * rgb[p + 2]! + w10 * rgb[p + 5]! + w01 * rgb[q + 2]! + w11 * rgb[q + 5]!;
      let level = exposure * (1 - vignette * 4 * (x * x + y * y));
      if (shadow && edge) {
        const into = ((x - shadow.at[0]) * edge.cos + (y - shadow.at[1]) * edge.sin) / shadow.soft;
        level *= 1 - shadow.depth / (1 + Math.exp(-4 * into));
      }
      for (const lamp of lamps) {
        const m = lamp.matrix;
        const here = level * lamp.share * fallOff(lamp, x, y);
        out[o]! += here * (m[0]! * r + m[1]! * g + m[2]! * b);
        out[o + 1]! += here * (m[3]! * r + m[4]! * g + m[5]! * b);
        out[o + 2]! += here * (m[6]! * r + m[7]! * g + m[8]! * b);
      }
      for (let c = 0; c < 3; c++) sums[c]! += out[o + c]!;
    }
  const scattered = sums.map((sum) => (flare * sum) / (width * height));
  for (let o = 0; o < out.length; o++) out[o] = (1 - flare) * out[o]! + scattered[o % 3]!;
  return out;
}

/** Adds to `sum` the two rows of numbers that begin at `a` and `b`, weighed. */
function addBoth(sum: Float64Array, from: Float32Array, a: number, b: number, weight: number): void {
  for (let i = 0; i < sum.length; i++) sum[i]! += weight * (from[a + i]! + from[b + i]!);
}

/** Gaussian lens blur, in place: along the rows, then down the columns; what lies beyond the rim is as the rim. */
function blur(light: Float32Array, width: number, height: number, sigma: number): void {
  if (sigma < 0.3) return;
  const reach = Math.ceil(2.5 * sigma);
  const weights = Array.from({ length: reach + 1 }, (_, k) => Math.exp(-(k ** 2) / (2 * sigma * sigma)));
  const total = weights.reduce((a, b) => a + 2 * b, -weights[0]!);
  const row = 3 * width;
  const sum = new Float64Array(row);
  const padded = new Float32Array(row + 6 * reach);
  for (let start = 0; start < light.length; start += row) {
    padded.set(light.subarray(start, start + row), 3 * reach);
    for (let i = 0; i < 3 * reach; i++) {
      padded[i] = light[start + (i % 3)]!;
      padded[3 * reach + row + i] = light[start + row - 3 + (i % 3)]!;
    }
    sum.fill(0);
    weights.forEach((weight, k) =>
      addBoth(sum, padded, 3 * (reach - k), 3 * (reach + k), weight / total / (k === 0 ? 2 : 1)),
    );
    light.set(sum, start);
  }
  const source = light.slice();
  for (let y = 0; y < height; y++) {
    sum.fill(0);
    weights.forEach((weight, k) => {
      const [above, below] = [Math.max(0, y - k) * row, Math.min(height - 1, y + k) * row];
      addBoth(sum, source, above, below, weight / total / (k === 0 ? 2 : 1));
    });
    light.set(sum, y * row);
  }
}

/** sRGB code of linear light, by a fine table. */
const CODE_OF_LINEAR = Float32Array.from({ length: 4097 }, (_, i) => codeOfLinear(i / 4096));

/** Sensor noise (grows with the square root of the light) and 8-bit sRGB. */
function read(light: Float32Array, { width, height, noiseCodes, seed, room }: Shot): Picture {
  const random = seededRandom(seed * 7919 + 3);
  const codes = new Float32Array(light.length);
  // At middle grey (linear 0.2) one code is about 0.0037 of linear light.
  const noiseAtGrey = noiseCodes * 0.0037;
  for (let i = 0; i < light.length; i++) {
    const v = Math.max(0, light[i]!);
    // Sum of three uniforms: near enough to normal, and much cheaper.
    const noise =
      noiseCodes === 0 ? 0 : (random() + random() + random() - 1.5) * 2 * noiseAtGrey * Math.sqrt(v / 0.2 + 0.05);
    const at = Math.min(1, Math.max(0, v + noise)) * 4096;
    const k = Math.min(4095, at | 0);
    codes[i] = CODE_OF_LINEAR[k]! + (at - k) * (CODE_OF_LINEAR[k + 1]! - CODE_OF_LINEAR[k]!);
  }
  if (room) {
    for (let i = 0; i < codes.length; i++) codes[i]! /= 255;
    develop(codes, width, height, room.phone);
    for (let i = 0; i < codes.length; i++) codes[i]! *= 255;
  }
  const data = new Uint8ClampedArray(4 * width * height);
  for (let i = 0, pixel = 0; i < codes.length; i += 3, pixel += 4) {
    for (let c = 0; c < 3; c++) data[pixel + c] = codes[i + c]!;
    data[pixel + 3] = 255;
  }
  return { width, height, data };
}
