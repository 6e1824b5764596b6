import type { Observed } from '@/core/keyboard/evidence';
import type { Line } from '@/core/keyboard/board';
import { metAt, type Board } from '@/core/keyboard/layout';
import { SEEN } from './marks';

const escaped = (text: string) =>
  text.replace(/[<>&"']/g, (sign) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;', "'": '&#39;' })[sign]!);

const FILLS: Record<Observed, string> = { works: '#ffffff', dead: '#22282b', stuck: '#f0b13c', unknown: '#f2eee6' };

/**
 * A keyboard as a drawing in mm: its keys by name, marked by what they did, and its lines.
 *
 * @param font that its names are set in
 */
export function boardSvg(
  { name, widthMm, heightMm, keys, lines }: Board,
  seen: Readonly<Record<string, Observed>>,
  font = 'sans-serif',
): string {
  const along = ({ kind, route }: Line) =>
    route
      .flatMap((id) => keys.find((key) => key.id === id) ?? [])
      .map((key) => metAt(kind, key).join())
      .join(' ');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthMm} ${heightMm}" width="${widthMm}mm" height="${heightMm}mm">`,
    `<title>${escaped(name)}</title>`,
    `<rect width="${widthMm}" height="${heightMm}" rx="3" fill="#ddd6c8"/>`,
    ...keys.flatMap(({ id, x, y, w, h }) => {
      const state = seen[id] ?? 'unknown';
      const sign = state === 'unknown' || state === 'works' ? '' : `${SEEN[state].sign} `;
      const size = Math.min(0.34 * h, (1.5 * w) / Math.max(2, id.length + sign.length));
      return [
        `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="1.6" fill="${FILLS[state]}" stroke="#22282b" stroke-width="0.4"/>`,
        `<text x="${x + w / 2}" y="${y + h / 2}" dy="0.35em" text-anchor="middle" font-family="${font}" font-size="${size.toFixed(2)}" fill="${state === 'dead' ? '#ffffff' : '#22282b'}">${sign}${escaped(id)}</text>`,
      ];
    }),
    ...lines.map(
      (line) =>
        `<polyline points="${along(line)}" fill="none" stroke="#0b5c61" stroke-width="0.8" opacity="0.7"><title>${escaped(line.id)}</title></polyline>`,
    ),
    '</svg>',
  ].join('\n');
}
