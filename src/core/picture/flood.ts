/** Cells that touch, corners too, from `start`, of those that `open` lets in; they are closed behind. */
function flooded(start: number, columns: number, rows: number, open: Uint8Array): number[] {
  const cells = [start];
  open[start] = 0;
  for (let i = 0; i < cells.length; i++) {
    const [column, row] = [cells[i]! % columns, Math.floor(cells[i]! / columns)];
    for (let r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 1); r++)
      for (let c = Math.max(0, column - 1); c <= Math.min(columns - 1, column + 1); c++) {
        const next = r * columns + c;
        if (!open[next]) continue;
        open[next] = 0;
        cells.push(next);
      }
  }
  return cells;
}

/** The cells that hang together, piece by piece, of those for which `wanted` is not 0. */
export function heldTogether(wanted: ArrayLike<number>, columns: number, rows: number): number[][] {
  const open = Uint8Array.from(wanted, (value) => (value === 0 ? 0 : 1));
  const found: number[][] = [];
  for (let start = 0; start < open.length; start++) if (open[start]) found.push(flooded(start, columns, rows, open));
  return found;
}
