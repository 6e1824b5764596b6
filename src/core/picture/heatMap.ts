import type { CellMap } from './cells';

/** Colours of the heat map by ΔE00 to the hidden patch: none, teal-grey, straw, amber, rust. RGB 0 to 255. */
const STOPS: readonly (readonly [number, readonly [number, number, number]])[] = [
  [0, [38, 110, 112]],
  [2, [120, 160, 140]],
  [5, [235, 200, 110]],
  [10, [226, 130, 40]],
  [20, [150, 40, 20]],
];

/** Colour of a ΔE00 on the heat map. */
export function heatColour(difference: number): readonly [number, number, number] {
  const last = STOPS[STOPS.length - 1]!;
  for (let i = 1; i < STOPS.length; i++) {
    const [e0, c0] = STOPS[i - 1]!;
    const [e1, c1] = STOPS[i]!;
    if (difference > e1) continue;
    const t = Math.max(0, (difference - e0) / (e1 - e0));
    return [c0[0] + t * (c1[0] - c0[0]), c0[1] + t * (c1[1] - c0[1]), c0[2] + t * (c1[2] - c0[2])];
  }
  return last[1];
}

/** The heat map's legend: ΔE00 and CSS colour. */
export const HEAT_LEGEND = STOPS.map(([difference, [r, g, b]]) => ({ difference, css: `rgb(${r} ${g} ${b})` }));

/** The cells as RGBA pixels, one a cell; transparent where the piece is not. */
export function heatPixels(map: CellMap): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(4 * map.weight.length);
  for (let c = 0; c < map.weight.length; c++) {
    if (map.weight[c] === 0) continue;
    pixels.set([...heatColour(map.deltaE[c]!), 255], 4 * c);
  }
  return pixels;
}
