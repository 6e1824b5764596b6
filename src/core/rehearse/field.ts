/** A number for each cell of a face, row by row. */
export interface Field {
  columns: number;
  rows: number;
  values: Float32Array;
}

/** Numbers in [0, 1), the same for the same seed. */
export type Random = () => number;

/** A field from what a place says of itself: x and y in widths of the face, from its middle. */
export function fieldOf(columns: number, rows: number, at: (x: number, y: number) => number): Field {
  const values = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      values[row * columns + column] = at(
        (column + 0.5) / columns - 0.5,
        ((row + 0.5) / rows - 0.5) * (rows / columns),
      );
  return { columns, rows, values };
}

const WAVES = 12;

/** A smooth random wave of about unit size, its hills so far apart (in widths of the face). */
export function swell(random: Random, apart: number): (x: number, y: number) => number {
  const waves = Array.from({ length: WAVES }, () => {
    const turn = 2 * Math.PI * random();
    const pitch = (2 * Math.PI * (0.6 + 0.8 * random())) / apart;
    return { kx: pitch * Math.cos(turn), ky: pitch * Math.sin(turn), phase: 2 * Math.PI * random() };
  });
  const size = Math.sqrt(2 / WAVES);
  return (x, y) => size * waves.reduce((sum, { kx, ky, phase }) => sum + Math.sin(kx * x + ky * y + phase), 0);
}
