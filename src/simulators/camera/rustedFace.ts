import { labToLinear } from '@/core/colour/lab';
import type { Lab } from '@/core/colour/types';
import { seededRandom, smoothField } from './random';

/** Rust with an uneven outline, mm. */
interface RustPatchDrawn {
  at: readonly [number, number];
  radiusMm: number;
  /** How much of the metal it covers in its middle. */
  loss: number;
  seed: number;
}

/** A face of metal as it rusts. Places in mm from its upper left corner. */
export interface RustedFace {
  widthMm: number;
  heightMm: number;
  metal: Lab;
  patches: readonly RustPatchDrawn[];
  /** Orange, between it and dark brown, and how much it changes from place to place. */
  rust: { dark: number; mottled: number };
  pits: readonly { at: readonly [number, number]; radiusMm: number }[];
  /** Lines of a brush or a mill: how strong, and in which direction. */
  brushed: { share: number; angleDeg: number };
  /** Yellow of a passivated plating, b* at its strongest. */
  passivated: number;
  /** Holes and stains that are no rust, dark or grey. */
  marks: readonly { at: readonly [number, number]; radiusMm: number; lab: Lab }[];
  seed: number;
}

const ORANGE: Lab = [46, 22, 34];
const BROWN: Lab = [26, 11, 13];

const covered = (patches: readonly RustPatchDrawn[]) => {
  const spots = patches.map((spot) => ({ ...spot, field: smoothField(spot.seed) }));
  return (x: number, y: number) =>
    spots.reduce((most, { at: [cx, cy], radiusMm, loss, field }) => {
      const near = Math.hypot(x - cx, y - cy) / radiusMm;
      if (near > 1.6) return most;
      const edge = near * (1 + 0.4 * field((2.5 * x) / radiusMm, (2.5 * y) / radiusMm));
      return Math.max(most, loss * Math.min(1, Math.max(0, (1 - edge) / 0.2)));
    }, 0);
};

/** What a face of metal throws back at a place, linear, and how much of it rust covers. */
export function rustedFace(
  face: RustedFace,
): (x: number, y: number) => { rgb: [number, number, number]; cover: number } {
  const { patches, rust, pits, brushed, passivated, marks, metal, seed } = face;
  const coverAt = covered(patches);
  const [mottle, sheen, lines] = [smoothField(seed + 3), smoothField(seed + 5), smoothField(seed + 7)];
  const a = (brushed.angleDeg * Math.PI) / 180;
  const grain = seededRandom(seed + 9);
  const between = (from: Lab, to: Lab, share: number): Lab =>
    [0, 1, 2].map((k) => from[k as 0]! + share * (to[k as 0]! - from[k as 0]!)) as unknown as Lab;
  return (x, y) => {
    const mark = marks.find(({ at, radiusMm }) => Math.hypot(x - at[0], y - at[1]) < radiusMm);
    const along = x * Math.cos(a) + y * Math.sin(a);
    const across = -x * Math.sin(a) + y * Math.cos(a);
    const yellow = passivated * (0.6 + 0.4 * sheen(x / 40, y / 40));
    const bare = mark ? mark.lab : ([metal[0], metal[1] + 0.05 * yellow, metal[2] + yellow] as Lab);
    const shade = 1 + brushed.share * lines(along / 30, across / 0.5) + 0.03 * (grain() - 0.5);
    const ground = labToLinear(bare).map((v) => Math.max(0, v * shade));
    const cover = coverAt(x, y);
    const deep = Math.min(1, Math.max(0, rust.dark + rust.mottled * mottle(x / 4, y / 4)));
    const brown = labToLinear(between(ORANGE, BROWN, deep));
    const inPit = pits.some(({ at, radiusMm }) => Math.hypot(x - at[0], y - at[1]) < radiusMm);
    const rgb = [0, 1, 2].map((k) => (inPit ? 0.15 : 1) * ((1 - cover) * ground[k]! + cover * brown[k as 0])) as [
      number,
      number,
      number,
    ];
    return { rgb, cover };
  };
}

/** True share of a face that rust covers at least half. */
export function trueRustShare(face: RustedFace): number {
  const coverAt = covered(face.patches);
  const n = 500;
  let rusty = 0;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      if (coverAt(((i + 0.5) * face.widthMm) / n, ((j + 0.5) * face.heightMm) / n) >= 0.5) rusty++;
  return rusty / (n * n);
}
