import { labToLinear } from '@/core/colour/lab';
import type { Lab } from '@/core/colour/types';
import { seededRandom, smoothField } from './random';
import { agedLab, distanceTo, yellowField, type Plate, type Scene, type Soiling } from './scene';
import { rustedFace, type RustedFace } from './rustedFace';
import { soilLoss } from './soil';

/** The scene from straight above as linear reflectance, three numbers a pixel. */
export interface Texture {
  width: number;
  height: number;
  pxPerMm: number;
  rgb: Float32Array;
}

const YELLOW_STEP = 0.25;
const YELLOW_STEPS = 260;

const tables = new Map<string, Float64Array>();

/** Linear colours of a clean colour by its yellow; plates share few clean colours. */
function tableOf(lab: Lab): Float64Array {
  const known = tables.get(lab.join());
  if (known) return known;
  const made = Float64Array.from(
    Array.from({ length: YELLOW_STEPS + 1 }, (_, i) => labToLinear(agedLab(lab, i * YELLOW_STEP))).flat(),
  );
  tables.set(lab.join(), made);
  return made;
}

/** Paints a scene. `seed` fixes the grain. */
export function paintTexture(scene: Scene, pxPerMm: number, seed: number): Texture {
  const width = Math.round(scene.widthMm * pxPerMm);
  const height = Math.round(scene.heightMm * pxPerMm);
  const texture: Texture = { width, height, pxPerMm, rgb: new Float32Array(3 * width * height) };
  paintBench(texture, scene.bench, seed);
  for (const plate of scene.plates) {
    if (plate.shadowMm) paintShadow(texture, plate, plate.shadowMm);
    paintPlate(texture, plate, seed);
  }
  for (const { at, face } of scene.rusted ?? []) paintRusted(texture, at, face);
  if (scene.soil) paintSoil(texture, scene.soil);
  return texture;
}

/** Soil takes blue light first: it is brown. */
const SOIL_TAKES = [0.85, 1, 1.15];

function paintSoil(texture: Texture, soil: readonly Soiling[]): void {
  const lossAt = soilLoss(soil);
  for (const { at, radiusMm: r } of soil)
    for (const row of rowsOver(texture, { box: [at[0] - 1.5 * r, at[1] - 1.5 * r, 3 * r, 3 * r] }, 0))
      for (let px = row.from, i = row.i; px < row.to; px++, i += 3) {
        const x = (px + 0.5) / texture.pxPerMm;
        const own = soil.find((other) => Math.hypot(x - other.at[0], row.y - other.at[1]) <= 1.5 * other.radiusMm);
        // Where boxes meet, the first of them paints for all.
        if (own?.at !== at) continue;
        const loss = lossAt(x, row.y);
        for (let c = 0; c < 3; c++) texture.rgb[i + c]! *= 1 - Math.min(0.95, SOIL_TAKES[c]! * loss);
      }
}

function paintRusted(texture: Texture, [left, top]: readonly [number, number], face: RustedFace): void {
  const { rgb, pxPerMm } = texture;
  const seen = rustedFace(face);
  for (const { i: first, from, to, y } of rowsOver(texture, { box: [left, top, face.widthMm, face.heightMm] }, 0))
    for (let px = from, i = first; px < to; px++, i += 3) rgb.set(seen((px + 0.5) / pxPerMm - left, y - top).rgb, i);
}

function paintBench({ width, height, pxPerMm, rgb }: Texture, bench: Lab, seed: number): void {
  const colour = labToLinear(bench);
  const weave = smoothField(seed + 11);
  const fine = seededRandom(seed + 12);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i += 3) {
      // A cutting mat: faint rule every 50 mm and a little dust.
      const mmX = x / pxPerMm;
      const mmY = y / pxPerMm;
      const rule = mmX % 50 < 0.6 || mmY % 50 < 0.6 ? 1.12 : 1;
      const shade = rule * (1 + 0.03 * weave(mmX / 14, mmY / 14) + 0.02 * (fine() - 0.5));
      for (let c = 0; c < 3; c++) rgb[i + c] = colour[c]! * shade;
    }
}

/** A row of pixels within a plate's box: index of its first, its ends in pixels, and its height in mm. */
interface Row {
  i: number;
  from: number;
  to: number;
  y: number;
}

/** The rows of a plate's box, widened by `marginMm`. */
function* rowsOver(
  { width, height, pxPerMm }: Texture,
  { box: [bx, by, bw, bh] }: Pick<Plate, 'box'>,
  marginMm: number,
): Generator<Row> {
  const from = Math.max(0, Math.floor((bx - marginMm) * pxPerMm));
  const to = Math.min(width, Math.ceil((bx + bw + marginMm) * pxPerMm));
  const y0 = Math.max(0, Math.floor((by - marginMm) * pxPerMm));
  const y1 = Math.min(height, Math.ceil((by + bh + marginMm) * pxPerMm));
  for (let py = y0; py < y1; py++) yield { i: 3 * (py * width + from), from, to, y: (py + 0.5) / pxPerMm };
}

function paintShadow(texture: Texture, plate: Plate, reachMm: number): void {
  const { rgb, pxPerMm } = texture;
  for (const { i: first, from, to, y } of rowsOver(texture, plate, 2 * reachMm))
    for (let px = from, i = first; px < to; px++, i += 3) {
      const d = distanceTo(plate, (px + 0.5) / pxPerMm - reachMm * 0.35, y - reachMm * 0.6);
      if (d > reachMm) continue;
      const left = 1 - 0.55 * (d <= 0 ? 1 : (1 - d / reachMm) ** 2);
      for (let c = 0; c < 3; c++) rgb[i + c]! *= left;
    }
}

function paintPlate(texture: Texture, plate: Plate, seed: number): void {
  const { rgb, pxPerMm } = texture;
  // Between the steps of a table: `labToLinear` for each pixel would take minutes.
  const table = tableOf(plate.lab);
  const yellowAt = yellowField(plate.yellowing, plate.box);
  const halfPx = 0.5 / pxPerMm;
  const relief = plate.relief ?? 0;
  const bevelMm = Math.min(2.2, Math.min(plate.box[2], plate.box[3]) / 5);
  const grain = seededRandom(seed + 31 * plate.id.length + Math.round(plate.box[0] * 7 + plate.box[1] * 13));
  for (const { i: first, from, to, y } of rowsOver(texture, plate, 1))
    for (let px = from, i = first; px < to; px++, i += 3) {
      const x = (px + 0.5) / pxPerMm;
      let d = distanceTo(plate, x, y);
      if (plate.cuts) for (const cut of plate.cuts) d = Math.max(d, -distanceTo(cut, x, y));
      if (d > halfPx) continue;
      const cover = Math.min(1, Math.max(0, 0.5 - d / (2 * halfPx)));
      let shade = 1 + 0.012 * (grain() - 0.5);
      if (relief !== 0 && d > -bevelMm) {
        const step = 0.2;
        const slope = (distanceTo(plate, x + step, y) - distanceTo(plate, x - step, y)) / (2 * step);
        const rise = (distanceTo(plate, x, y + step) - distanceTo(plate, x, y - step)) / (2 * step);
        shade *= 1 - relief * (1 + d / bevelMm) * (0.45 * slope + 0.9 * rise);
      }
      const at = Math.min(YELLOW_STEPS - 1e-6, yellowAt(x, y) / YELLOW_STEP);
      const step = at | 0;
      for (let c = 0, t = 3 * step; c < 3; c++, t++) {
        const under = rgb[i + c]!;
        const colour = table[t]! + (at - step) * (table[t + 3]! - table[t]!);
        rgb[i + c] = under + cover * (colour * shade - under);
      }
    }
}
