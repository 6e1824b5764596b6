/** Pixels, as a worker made them, as a picture for a page to show. Only in a browser. */
export function pixelsUrl(pixels: Uint8ClampedArray<ArrayBuffer>, columns: number, rows: number): string {
  const canvas = document.createElement('canvas');
  canvas.width = columns;
  canvas.height = rows;
  canvas.getContext('2d')?.putImageData(new ImageData(pixels, columns, rows), 0, 0);
  return canvas.toDataURL();
}
