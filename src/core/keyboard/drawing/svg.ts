import { escapedXml } from '../../markup';
import { STEM_AT } from '../caps';
import type { Line } from '../board';
import { metAt, type Board } from '../layout';
import type { DrawnMap } from './maps';

const TONES = {
  plain: { fill: '#ffffff', ink: '#22282b' },
  dark: { fill: '#22282b', ink: '#ffffff' },
  amber: { fill: '#f0b13c', ink: '#22282b' },
};
const NOTHING = { tone: 'plain', sign: '', under: '' } as const;

/**
 * A map of a keyboard as a drawing in mm: its keys by name and mark, its lines, where stems stand.
 *
 * @param font that its names are set in
 */
export function boardSvg(
  { name, widthMm, heightMm, keys }: Board,
  { title, keys: marks, lines, stems }: DrawnMap,
  font = 'sans-serif',
): string {
  const along = ({ kind, route }: Line) =>
    route
      .flatMap((id) => keys.find((key) => key.id === id) ?? [])
      .map((key) => metAt(kind, key).join())
      .join(' ');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthMm} ${heightMm}" width="${widthMm}mm" height="${heightMm}mm">`,
    `<title>${escapedXml(`${name}. ${title}`)}</title>`,
    `<rect width="${widthMm}" height="${heightMm}" rx="3" fill="#ddd6c8"/>`,
    ...keys.flatMap(({ id, x, y, w, h }) => {
      const { tone, sign, under } = marks[id] ?? NOTHING;
      const { fill, ink } = TONES[tone];
      const text = sign === '' ? id : `${sign} ${id}`;
      const size = Math.min(0.34 * h, (1.5 * w) / Math.max(2, text.length));
      const small = Math.min(0.22 * h, (1.5 * w) / Math.max(4, under.length));
      const words = (at: number, px: number, said: string) =>
        `<text x="${x + w / 2}" y="${y + at * h}" dy="0.35em" text-anchor="middle" font-family="${font}" font-size="${px.toFixed(2)}" fill="${ink}">${escapedXml(said)}</text>`;
      const stem = stems[id];
      return [
        `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="1.6" fill="${fill}" stroke="#22282b" stroke-width="0.4"/>`,
        words(under === '' ? 0.5 : 0.38, size, text),
        ...(under === '' ? [] : [words(0.74, small, under)]),
        ...(stem
          ? [
              `<circle cx="${x + STEM_AT[stem] * w}" cy="${y + 0.2 * h}" r="${0.1 * h}" fill="none" stroke="${ink}" stroke-width="0.8"/>`,
            ]
          : []),
      ];
    }),
    ...lines.map(
      (line) =>
        `<polyline points="${along(line)}" fill="none" stroke="#0b5c61" stroke-width="0.8" opacity="0.7"><title>${escapedXml(line.id)}</title></polyline>`,
    ),
    '</svg>',
  ].join('\n');
}
