import { escapedXml } from '../../markup';
import { skinRings, type FamilyName } from './part';

/** Round the part, mm. */
const MARGIN_MM = 2;

/** Where the rings of a part lie, mm, y down as on paper. */
export function partBox(name: FamilyName, sizes: object): { x: number; y: number; width: number; height: number } {
  const points = skinRings(name, sizes).flat();
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => -y)];
  const [x, y] = [Math.min(...xs) - MARGIN_MM, Math.min(...ys) - MARGIN_MM];
  return { x, y, width: Math.max(...xs) + MARGIN_MM - x, height: Math.max(...ys) + MARGIN_MM - y };
}

/** A part seen from above as one path in mm: every edge of its layers. */
export const partPath = (name: FamilyName, sizes: object): string =>
  skinRings(name, sizes)
    .map((ring) => `M${ring.map(([x, y]) => `${x.toFixed(3)},${(-y).toFixed(3)}`).join(' L')} Z`)
    .join(' ');

/** A part as a drawing at 1:1, for a blade, a file or a cutter: its edges seen from above, mm. */
export function partSvg(name: FamilyName, sizes: object, title: string): string {
  const { x, y, width, height } = partBox(name, sizes);
  const n = (value: number) => Number(value.toFixed(3));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="${[x, y, width, height].map(n).join(' ')}">`,
    `<title>${escapedXml(title)}</title>`,
    `<path d="${partPath(name, sizes)}" fill="none" stroke="#000000" stroke-width="0.1"/>`,
    '</svg>',
  ].join('\n');
}
