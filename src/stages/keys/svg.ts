import type { Observed } from '@/core/keyboard/evidence';
import type { Board } from '@/core/keyboard/layout';
import { SEEN } from './marks';

const escaped = (text: string) =>
  text.replace(/[<>&"']/g, (sign) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;', "'": '&#39;' })[sign]!);

const FILLS: Record<Observed, string> = { works: '#ffffff', dead: '#22282b', stuck: '#f0b13c', unknown: '#f2eee6' };

/** A keyboard as a drawing in mm: its keys by name, marked by what they did, and its lines. */
export function boardSvg(
  { name, widthMm, heightMm, keys, lines }: Board,
  seen: Readonly<Record<string, Observed>>,
): string {
  const middle = (id: string) => {
    const key = keys.find((one) => one.id === id);
    return key ? `${key.x + key.w / 2},${key.y + key.h / 2}` : '';
  };
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
        `<text x="${x + w / 2}" y="${y + h / 2}" dy="0.35em" text-anchor="middle" font-family="sans-serif" font-size="${size.toFixed(2)}" fill="${state === 'dead' ? '#ffffff' : '#22282b'}">${sign}${escaped(id)}</text>`,
      ];
    }),
    ...lines.map(
      ({ id, route }) =>
        `<polyline points="${route.map(middle).join(' ')}" fill="none" stroke="#0b5c61" stroke-width="0.8" opacity="0.7"><title>${escaped(id)}</title></polyline>`,
    ),
    '</svg>',
  ].join('\n');
}
