export { seededRandom } from '@/core/rehearse/seededRandom';

/** A smooth field in [−1, 1] over the plane: value noise with a cell of size 1, the same for the same seed. */
export function smoothField(seed: number): (x: number, y: number) => number {
  const at = (ix: number, iy: number) => {
    let h = Math.imul(ix | 0, 374761393) ^ Math.imul(iy | 0, 668265263) ^ Math.imul(seed | 0, 1442695041);
    h = Math.imul(h ^ (h >>> 13), 1274126177);
    return ((h ^ (h >>> 16)) >>> 0) / 2147483648 - 1;
  };
  const ease = (t: number) => t * t * (3 - 2 * t);
  // Neighbours in a picture mostly share their cell: its corners are kept.
  let [cx, cy, c00, c10, c01, c11] = [NaN, NaN, 0, 0, 0, 0];
  return (x, y) => {
    const ix = Math.floor(x);
    const iy = Math.floor(y);
    if (ix !== cx || iy !== cy) {
      [cx, cy] = [ix, iy];
      [c00, c10, c01, c11] = [at(ix, iy), at(ix + 1, iy), at(ix, iy + 1), at(ix + 1, iy + 1)];
    }
    const tx = ease(x - ix);
    const top = c00 + tx * (c10 - c00);
    const bottom = c01 + tx * (c11 - c01);
    return top + ease(y - iy) * (bottom - top);
  };
}
