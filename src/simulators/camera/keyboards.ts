import type { BoardKey } from '@/core/keyboard/layout';
import type { Lab } from '@/core/colour/types';
import type { Rect } from '@/core/picture/picture';
import { seededRandom } from './random';
import type { Plate, Scene, Soiling } from './scene';

/** How a keyboard looks: its caps, the field below them, and what is printed. */
interface KeyboardLook {
  cap: Lab;
  /** Of caps wider than most. */
  wide: Lab;
  field: Lab;
  legend: Lab;
  /** How far the top of a cap stands inside its foot, on every side. */
  insetMm: number;
  /** How high it stands: from the front its top is seen farther back than its foot. */
  heightMm: number;
  relief: number;
}

/** What happened to caps between two pictures. */
export interface CapsOff {
  missing: readonly string[];
  /** Keys whose cap is another key’s. */
  swapped: readonly (readonly [string, string])[];
  /** Caps put on upside down. */
  turned: readonly string[];
}

export const CAPS_ON: CapsOff = { missing: [], swapped: [], turned: [] };

/** A layout with its look: keys in mm on their field, and what lies on it that is no key. */
export interface SimulatedKeyboard {
  widthMm: number;
  heightMm: number;
  keys: readonly Pick<BoardKey, 'id' | 'x' | 'y' | 'w' | 'h'>[];
  look: KeyboardLook;
  /** Badges, lamps and labels on the field. */
  strays: readonly { box: Rect; lab: Lab; relief?: number }[];
}

type Row = readonly (readonly [name: string, widthInKeys: number])[];

/** Keys of rows in pitches; a name beginning with `-` is a gap. */
function rowsOf(
  rows: readonly Row[],
  { pitch, down, gap, x, y }: { pitch: number; down: number; gap: number; x: number; y: number },
): SimulatedKeyboard['keys'] {
  return rows.flatMap((row, r) => {
    let at = x;
    return row.flatMap(([id, width]) => {
      const left = at;
      at += width * pitch;
      if (id.startsWith('-')) return [];
      return [{ id, x: left + gap / 2, y: y + r * down + gap / 2, w: width * pitch - gap, h: down - gap }];
    });
  });
}

const letters = (names: string): Row => [...names].map((name) => [name, 1] as const);

const PALE: KeyboardLook = {
  cap: [86, -0.5, 7],
  wide: [60, 0, 6],
  field: [20, 0, 1],
  legend: [24, 0, 0],
  insetMm: 1.7,
  heightMm: 7,
  relief: 0.28,
};

/** Four keyboards unlike each other, none of them anybody’s. */
export const KEYBOARDS: Record<'home' | 'pocket' | 'desk' | 'slab', SimulatedKeyboard> = {
  // Pale caps over a dark well, five staggered rows, brown wide ones.
  home: {
    ...{ widthMm: 296, heightMm: 102, look: PALE, strays: [{ box: [4, 84, 34, 9], lab: [30, 2, 4], relief: 0.2 }] },
    keys: rowsOf(
      [
        [['esc', 1], ...letters('1234567890'), ['dash', 1], ['plus', 1], ['home', 1], ['del', 1]],
        [['tab', 1.5], ...letters('qwertyuiop'), ['at', 1], ['star', 1], ['run', 1.5]],
        [['ctrl', 1.75], ...letters('asdfghjkl'), ['semi', 1], ['colon', 1], ['enter', 2.25]],
        [
          ['shift l', 2.25],
          ...letters('zxcvbnm'),
          ['comma', 1],
          ['dot', 1],
          ['slash', 1],
          ['shift r', 1.75],
          ['up', 1],
        ],
        [
          ['-', 3],
          ['mode', 1.25],
          ['space', 7],
          ['left', 1],
          ['down', 1],
          ['right', 1],
        ],
      ],
      { pitch: 19, down: 19, gap: 2.2, x: 4.5, y: 3.5 },
    ),
  },
  // Dark small caps on a bone shell, wide gaps, one double height key.
  pocket: {
    widthMm: 190,
    heightMm: 84,
    look: {
      cap: [30, 0, 1],
      wide: [48, 30, 26],
      field: [84, -0.4, 8],
      legend: [88, 0, 1],
      insetMm: 0.8,
      heightMm: 2.5,
      relief: 0.22,
    },
    strays: [
      { box: [150, 4, 30, 9], lab: [78, -0.5, 10], relief: -0.1 },
      { box: [8, 3, 42, 2.2], lab: [40, 0, 2] },
    ],
    keys: [
      ...rowsOf([letters('qwertyuiop'), letters('asdfghjkl!'), letters('zxcvbnm,.?'), letters('0123456789')], {
        pitch: 13.4,
        down: 15,
        gap: 4.6,
        x: 5,
        y: 16,
      }),
      ...rowsOf(
        [
          [
            ['c1', 1],
            ['c2', 1],
          ],
          [
            ['c3', 1],
            ['c4', 1],
          ],
          [
            ['c5', 1],
            ['-', 1],
          ],
        ],
        { pitch: 18, down: 15, gap: 4.6, x: 147, y: 16 },
      ),
      { id: 'go', x: 167.3, y: 48.3, w: 13.4, h: 25.4 },
    ],
  },
  // Dark caps on a dark frame: function row apart, a block of figures with tall keys, lamps above it.
  desk: {
    widthMm: 398,
    heightMm: 134,
    look: {
      cap: [34, 0, 2],
      wide: [28, 0, 1],
      field: [19, 0, 0.5],
      legend: [82, 0, 3],
      insetMm: 2.1,
      heightMm: 8,
      relief: 0.3,
    },
    strays: [
      { box: [318, 8, 5, 3], lab: [60, -40, 40] },
      { box: [338, 8, 5, 3], lab: [26, 6, 6] },
      { box: [314, 15, 40, 1.4], lab: [70, 0, 2] },
    ],
    keys: [
      ...rowsOf(
        [[['esc', 1], ['-', 1], ...letters('ÀÁÂÃ'), ['-', 0.5], ...letters('ÄÅÆÇ'), ['-', 0.5], ...letters('ÈÉÊË')]],
        { pitch: 18.9, down: 18.4, gap: 1.6, x: 5, y: 4 },
      ),
      ...rowsOf(
        [
          [...letters('^1234567890'), ['dash', 1], ['plus', 1], ['rub', 2]],
          [['tab', 1.5], ...letters('qwertyuiop'), ['br l', 1], ['br r', 1], ['bar', 1.5]],
          [['caps', 1.75], ...letters('asdfghjkl'), ['semi', 1], ['quote', 1], ['enter', 2.25]],
          [['shift l', 2.25], ...letters('zxcvbnm'), ['comma', 1], ['dot', 1], ['slash', 1], ['shift r', 2.75]],
          [
            ['ctrl', 1.5],
            ['alt', 1.25],
            ['space', 7.5],
            ['alt r', 1.25],
            ['menu', 1.5],
            ['-', 2],
          ],
        ],
        { pitch: 18.9, down: 19, gap: 1.6, x: 5, y: 33 },
      ),
      ...rowsOf(
        [
          [
            ['n=', 1],
            ['n/', 1],
            ['n*', 1],
            ['n-', 1],
          ],
          [
            ['n7', 1],
            ['n8', 1],
            ['n9', 1],
          ],
          [
            ['n4', 1],
            ['n5', 1],
            ['n6', 1],
          ],
          [
            ['n1', 1],
            ['n2', 1],
            ['n3', 1],
          ],
          [
            ['n0', 2],
            ['n.', 1],
          ],
        ],
        { pitch: 18.9, down: 19, gap: 1.6, x: 314, y: 33 },
      ),
      { id: 'n+', x: 314 + 3 * 18.9 + 0.8, y: 33 + 19 + 0.8, w: 17.3, h: 36.4 },
      { id: 'n enter', x: 314 + 3 * 18.9 + 0.8, y: 33 + 57 + 0.8, w: 17.3, h: 36.4 },
    ],
  },
  // Flat caps hardly lighter than their frame, a cross of directions.
  slab: {
    widthMm: 252,
    heightMm: 96,
    look: {
      cap: [72, -0.5, 9],
      wide: [66, -4, 4],
      field: [63, -0.3, 7],
      legend: [30, -4, -4],
      insetMm: 0.6,
      heightMm: 1.2,
      relief: 0.2,
    },
    strays: [
      { box: [206, 6, 40, 14], lab: [68, -0.3, 9], relief: 0.12 },
      { box: [4, 91, 196, 0.8], lab: [52, 0, 6] },
    ],
    keys: [
      ...rowsOf(
        [
          letters('1234567890'),
          letters('qwertyuiop'),
          letters('asdfghjkl='),
          [['shift', 1.5], ...letters('zxcvbnm'), ['ret', 1.5]],
          [
            ['sym', 1.5],
            ['-', 1],
            ['space', 5],
            ['-', 1],
            ['edit', 1.5],
          ],
        ],
        { pitch: 19.6, down: 17, gap: 3.4, x: 4, y: 4 },
      ),
      { id: 'up', x: 219, y: 34, w: 15, h: 14 },
      { id: 'left', x: 206, y: 50, w: 15, h: 14 },
      { id: 'right', x: 232, y: 50, w: 15, h: 14 },
      { id: 'down', x: 219, y: 66, w: 15, h: 14 },
    ],
  },
};

/** Rows of the home computer’s own caps, by their names, in keys; a name beginning with `-` is a gap. */
const OWN_ROWS: readonly Row[] = [
  [['esc', 1], ...letters('1234567890'), ['dash', 1], ['plus', 1], ['del', 1.5]],
  [['tab', 1.5], ...letters('qwertyuiop'), ['at', 1], ['star', 1], ['run', 1]],
  [['ctrl', 1.75], ...letters('asdfghjkl'), ['semi', 1], ['colon', 1], ['enter', 1.75]],
  [['shift l', 2.25], ...letters('zxcvbnm'), ['comma', 1], ['dot', 1], ['slash', 1], ['shift r', 1.25], ['up', 1]],
  [
    ['-', 2.5],
    ['mode', 1],
    ['space', 7.5],
    ['alt', 1],
    ['-', 2.5],
  ],
];

/** The keyboard of the drawn home computer, seen close by: the same caps in the same rows, as yellow as they are. */
export function homeKeyboard(yellow: number): SimulatedKeyboard {
  return {
    ...{ widthMm: 348, heightMm: 122, strays: [] },
    look: { ...PALE, cap: [88.5 - 0.28 * yellow, 0.0055 * yellow * yellow - 0.5, 4 + yellow], wide: [62, -0.4, 3] },
    keys: rowsOf(OWN_ROWS, { pitch: 24, down: 24.4, gap: 1.4, x: 0, y: 0 }),
  };
}

/** Strokes that a legend is made of, on a square of 1: across, down and, as a step, aslant. */
const STROKES: readonly Rect[] = [
  [0, 0, 1, 0.16],
  [0, 0.42, 1, 0.16],
  [0, 0.84, 1, 0.16],
  [0, 0, 0.16, 0.58],
  [0, 0.42, 0.16, 0.58],
  [0.84, 0, 0.16, 0.58],
  [0.84, 0.42, 0.16, 0.58],
  [0.42, 0, 0.16, 0.58],
  [0.42, 0.42, 0.16, 0.58],
];

/** Sets of three to six strokes of which any two differ by two at least: as unlike as letters mostly are. */
const SETS: readonly (readonly Rect[])[] = Array.from({ length: 1 << STROKES.length }, (_, bits) =>
  STROKES.filter((__, i) => bits & (1 << i)),
).filter(({ length }) => length === 4 || length === 6);

/** Strokes of a sign, always the same for the same sign. */
const strokesOf = (sign: string): readonly Rect[] => SETS[(sign.codePointAt(0)! * 89) % SETS.length]!;

const ARROWS: Record<string, readonly Rect[]> = {
  up: [
    [0.42, 0, 0.16, 1],
    [0.2, 0.2, 0.6, 0.16],
  ],
  down: [
    [0.42, 0, 0.16, 1],
    [0.2, 0.64, 0.6, 0.16],
  ],
  left: [
    [0, 0.42, 1, 0.16],
    [0.2, 0.2, 0.16, 0.6],
  ],
  right: [
    [0, 0.42, 1, 0.16],
    [0.64, 0.2, 0.16, 0.6],
  ],
};

/** What is printed on a cap: one sign in its corner, or a word of up to five. */
function legendOf(name: string, [x, y, w, h]: Rect, lab: Lab, turned: boolean): Plate[] {
  const size = Math.min(3.6, 0.36 * h);
  const signs = ARROWS[name] ? [name] : [...name.replace(' ', '')].slice(0, 5);
  return signs.flatMap((sign, i) => {
    const left = 0.16 * Math.min(w, h) + i * 1.35 * size;
    if (left + size > w) return [];
    return (ARROWS[sign] ?? strokesOf(sign)).map(([u, v, p, q], k): Plate => {
      const [du, dv] = [left + size * u, 0.14 * h + size * v];
      const [pw, ph] = [Math.max(0.45, size * p), Math.max(0.45, size * q)];
      const box: Rect = turned ? [x + w - du - pw, y + h - dv - ph, pw, ph] : [x + du, y + dv, pw, ph];
      return { id: `legend-${name}-${i}-${k}`, box, radiusMm: 0.2, lab };
    });
  });
}

interface Options {
  caps?: CapsOff;
  /** How strongly the picture is taken from the front, 0 to 1. */
  tilt?: number;
  /** Light of each cap differs by so much, L*. */
  uneven?: number;
  seed?: number;
  soil?: readonly Soiling[];
}

/** Where the field of a keyboard lies on its scene, mm. */
const FIELD_AT = [44, 70] as const;

/** A keyboard on the bench, in the shell that it belongs to. */
export function keyboardScene(
  { widthMm, heightMm, keys, look, strays }: SimulatedKeyboard,
  { caps = CAPS_ON, tilt = 0, uneven = 1.5, seed = 1, soil }: Options = {},
): Scene {
  const [fx, fy] = FIELD_AT;
  const random = seededRandom(seed * 17 + 3);
  const usual = keys.map(({ w }) => w).sort((a, b) => a - b)[keys.length >> 1]!;
  const others = new Map(caps.swapped.flatMap(([a, b]) => [[a, b] as const, [b, a] as const]));
  const shellLab: Lab = [look.field[0] > 50 ? look.field[0] + 3 : 80, -0.4, 8];
  return {
    widthMm: widthMm + 2 * fx,
    heightMm: heightMm + fy + 70,
    bench: [46, -6, -5],
    plates: [
      {
        ...{ id: 'shell', box: [fx - 24, fy - 46, widthMm + 48, heightMm + 82] as Rect, radiusMm: 7, lab: shellLab },
        ...{ relief: 0.3, shadowMm: 10 },
      },
      { id: 'field', box: [fx, fy, widthMm, heightMm], radiusMm: 2, lab: look.field, relief: -0.25 },
      ...strays.map(({ box: [x, y, w, h], lab, relief }, i): Plate => ({
        ...{ id: `stray-${i}`, box: [fx + x, fy + y, w, h], radiusMm: 0.8, lab },
        ...(relief !== undefined && { relief }),
      })),
      ...keys.flatMap(({ id, x, y, w, h }): Plate[] => {
        const box: Rect = [fx + x, fy + y, w, h];
        const [l, a, b] = w > 1.2 * usual || h > 1.5 * w ? look.wide : look.cap;
        const lab: Lab = [l + uneven * 2 * (random() - 0.5), a, b + uneven * (random() - 0.5)];
        if (caps.missing.includes(id)) return stem(id, box, look);
        const inset = look.insetMm;
        // The top of a cap is nearer to the lens: it is seen farther back, and a little larger than it is.
        const back = 0.35 * tilt * look.heightMm;
        const top: Rect = [box[0] + inset, box[1] + inset - back, w - 2 * inset, h - 2 * inset];
        const name = others.get(id) ?? id;
        return [
          { id: `cap-${id}`, box, radiusMm: 1.4, lab, relief: look.relief, shadowMm: 0.25 * look.heightMm },
          { id: `top-${id}`, box: top, radiusMm: 1.2, lab, relief: -0.05 },
          ...legendOf(name, top, look.legend, caps.turned.includes(id)),
        ];
      }),
    ],
    regions: [{ id: 'field', plate: 'field', box: [fx, fy, widthMm, heightMm] }],
    card: [],
    ...(soil && { soil }),
  };
}

/** What is seen where a cap is off: a collar with its stem. */
function stem(id: string, [x, y, w, h]: Rect, look: KeyboardLook): Plate[] {
  // Of a wide cap it stands a little off the middle.
  const [mx, my] = [x + (w > 1.5 * h ? 0.44 : 0.5) * w, y + h / 2];
  const half = 0.28 * Math.min(w, h);
  return [
    {
      ...{ id: `collar-${id}`, box: [mx - half, my - half, 2 * half, 2 * half] as Rect, radiusMm: half / 2 },
      ...{ lab: [look.field[0] > 50 ? 40 : 46, 0, 3] as Lab, relief: 0.2 },
    },
    { id: `stem-${id}`, box: [mx - half / 3, my - half / 2, half / 1.5, half], radiusMm: 0.3, lab: [70, 0, 4] },
  ];
}
