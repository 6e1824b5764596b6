import { srgbToLab } from '@/core/colour/lab';
import type { Lab, Srgb } from '@/core/colour/types';
import type { Rect } from '@/core/picture/picture';
import { betweenCells, type CardChip, type Plate, type Scene, type Soiling, type Yellowing } from './scene';

/** Colours that the drawn machines are made of. */
const BONE: Lab = [87, -0.6, 5];
const KEY_PALE: Lab = [88.5, -0.5, 4];
const KEY_GREY: Lab = [62, -0.4, 3];
const DARK: Lab = [26, 0.3, 1];
const SLOT: Lab = [17, 0, 0.5];
const WINDOW: Lab = [38, -8, 3];
const MAT: Lab = [46, -6, -5];
const TEAL: Lab = [45, -20, -8];
const RUST: Lab = [46, 34, 36];
const PAPER: Lab = [93, 0, 1];

/** Middle grey of the card that lies beside every piece. */
const GREY_CARD: Srgb = [160, 160, 160];

const scaleBox = ([x, y, w, h]: Rect, by: number): Rect => [x + by, y + by, w - 2 * by, h - 2 * by];

function greyCard(x: number, y: number): { plates: Plate[]; card: CardChip[] } {
  const box: Rect = [x, y, 54, 34];
  return {
    plates: [
      { id: 'card-rim', box: [x - 4, y - 4, 62, 42], radiusMm: 2, lab: [22, 0, 0], shadowMm: 3 },
      { id: 'card', box, radiusMm: 0.5, lab: srgbToLab(GREY_CARD) },
    ],
    card: [{ box, srgb: GREY_CARD }],
  };
}

/** Paint chips for a picture with many known colours, in a strip. */
const CHIPS: readonly Srgb[] = [
  [160, 160, 160],
  [225, 225, 225],
  [70, 70, 70],
  [176, 96, 84],
  [92, 140, 96],
  [84, 108, 168],
  [222, 196, 120],
];

/** A strip of seven paint chips in place of the grey card. */
function chipStrip(x: number, y: number): { plates: Plate[]; card: CardChip[] } {
  const chips = CHIPS.map((srgb, i) => ({ srgb, lab: srgbToLab(srgb), box: [x + 24 * i, y, 22, 30] as Rect }));
  return {
    plates: [
      { id: 'strip', box: [x - 4, y - 4, 24 * CHIPS.length + 6, 38], radiusMm: 2, lab: [22, 0, 0], shadowMm: 3 },
      ...chips.map(({ lab, box }, i) => ({ id: `chip-${i}`, box, radiusMm: 0.3, lab })),
    ],
    card: chips.map(({ srgb, box }) => ({ srgb, box })),
  };
}

/** Vents: a row of sunk slots. */
function vents([x, y, w, h]: Rect, count: number): Plate[] {
  const pitch = w / count;
  return Array.from({ length: count }, (_, i) => ({
    id: `vent-${i}`,
    box: [x + i * pitch + pitch * 0.25, y, pitch * 0.42, h] as Rect,
    radiusMm: pitch * 0.2,
    lab: SLOT,
    relief: -0.3,
  }));
}

/** Badge of an invented make: a dark plate with three bars. */
function badge(x: number, y: number): Plate[] {
  return [
    { id: 'badge', box: [x, y, 38, 11], radiusMm: 1.5, lab: DARK, relief: 0.25 },
    { id: 'bar-1', box: [x + 4, y + 3, 12, 1.6], radiusMm: 0.8, lab: TEAL },
    { id: 'bar-2', box: [x + 4, y + 6.2, 20, 1.6], radiusMm: 0.8, lab: RUST },
    { id: 'bar-3', box: [x + 28, y + 3, 6, 4.8], radiusMm: 2.4, lab: PAPER },
  ];
}

/** Widths in units of one cap, row by row; below 0 a gap. */
const KEY_ROWS: readonly (readonly number[])[] = [
  [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1.5],
  [1.5, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1],
  [1.75, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1.75],
  [2.25, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1.25, 1],
  [-2.5, 1, 7.5, 1, -2.5],
];

function keyboard([x, y, w, h]: Rect, yellowing: Yellowing | undefined): Plate[] {
  const rowHeight = h / KEY_ROWS.length;
  return KEY_ROWS.flatMap((row, r) => {
    const unit = w / row.reduce((sum, width) => sum + Math.abs(width), 0);
    let at = x;
    return row.flatMap((width, k) => {
      const left = at;
      at += Math.abs(width) * unit;
      if (width < 0) return [];
      const pale = width === 1 || width > 5;
      const box: Rect = [left + 0.7, y + r * rowHeight + 0.7, width * unit - 1.4, rowHeight - 1.4];
      const top = scaleBox(box, 1.7);
      const id = `key-${r}-${k}`;
      return [
        {
          id,
          box,
          radiusMm: 1.6,
          lab: pale ? KEY_PALE : KEY_GREY,
          relief: 0.28,
          shadowMm: 1.2,
          ...(yellowing && pale && { yellowing }),
        },
        {
          id: `${id}-top`,
          box: top,
          radiusMm: 1.4,
          lab: pale ? KEY_PALE : KEY_GREY,
          relief: -0.05,
          ...(yellowing && pale && { yellowing }),
        },
        ...(width === 1
          ? [
              {
                id: `${id}-legend`,
                box: [top[0] + 2, top[1] + 1.8, 1.5 + ((k * 7 + r * 3) % 4) * 0.7, 0.9] as Rect,
                radiusMm: 0.4,
                lab: DARK,
              },
            ]
          : []),
      ] satisfies Plate[];
    });
  });
}

/**
 * A home computer in one piece with its keyboard: upper shell with vents, badge and a patch under a label. `face` adds
 * the whole shell with all that is on it to the regions; `bare` leaves the keyboard out of its well.
 */
export function homeComputer(
  lid: Yellowing,
  keys: Yellowing,
  options: { chips?: boolean; face?: boolean; bare?: boolean; soil?: readonly Soiling[] } = {},
): Scene {
  const shell: Rect = [40, 60, 400, 220];
  const hidden: Rect = [350, 70, 70, 26];
  const strip = options.chips ? chipStrip(60, 304) : greyCard(60, 304);
  const yellowing: Yellowing = { ...lid, shadow: { box: hidden, softMm: 1.2 } };
  return {
    widthMm: 480,
    heightMm: 360,
    bench: MAT,
    plates: [
      { id: 'shell', box: shell, radiusMm: 9, lab: BONE, relief: 0.3, shadowMm: 14, yellowing },
      { id: 'ridge', box: [40, 104, 400, 1.4], radiusMm: 0.6, lab: [60, 0, 6], relief: -0.2, yellowing: lid },
      ...vents([60, 70, 150, 24], 14),
      ...badge(250, 78),
      { id: 'well', box: [62, 132, 356, 130], radiusMm: 4, lab: SLOT, relief: -0.3 },
      ...(options.bare ? [] : keyboard([66, 136, 348, 122], keys)),
      ...strip.plates,
    ],
    regions: [
      { id: 'lid', plate: 'shell', box: [62, 109, 356, 20] },
      ...(options.face ? [{ id: 'face', plate: 'shell', box: shell }] : []),
      { id: 'hidden', plate: 'shell', box: [355, 74, 60, 18] },
    ],
    card: strip.card,
    ...(options.soil && { soil: options.soil }),
  };
}

/** A desktop machine's front: fascia, drive door that never yellowed, vents, power button, sticker shadow. */
export function desktopFront(fascia: Yellowing): Scene {
  const front: Rect = [40, 50, 400, 180];
  const hidden: Rect = [300, 62, 110, 34];
  const card = greyCard(70, 284);
  return {
    widthMm: 480,
    heightMm: 360,
    bench: [52, 4, 14],
    plates: [
      {
        id: 'fascia',
        box: front,
        radiusMm: 6,
        lab: BONE,
        relief: 0.3,
        shadowMm: 14,
        yellowing: { ...fascia, shadow: { box: hidden, softMm: 1 } },
      },
      { id: 'bay', box: [60, 66, 170, 46], radiusMm: 2, lab: SLOT, relief: -0.3 },
      { id: 'drive-door', box: [62, 68, 166, 42], radiusMm: 1.5, lab: BONE, relief: 0.2 },
      { id: 'drive-slot', box: [74, 84, 142, 5], radiusMm: 2, lab: SLOT, relief: -0.3 },
      { id: 'drive-button', box: [196, 95, 20, 8], radiusMm: 1, lab: KEY_GREY, relief: 0.3 },
      ...vents([70, 196, 300, 22], 22),
      ...badge(300, 124),
      { id: 'power', box: [384, 180, 34, 34], radiusMm: 4, lab: KEY_GREY, relief: 0.3, shadowMm: 2 },
      { id: 'lamp', box: [393, 164, 16, 4], radiusMm: 1.5, lab: [48, 55, 40] },
      ...card.plates,
    ],
    regions: [
      { id: 'fascia', plate: 'fascia', box: [60, 140, 230, 44] },
      { id: 'door', plate: 'drive-door', box: [70, 94, 110, 12] },
      { id: 'hidden', plate: 'fascia', box: [306, 67, 98, 24] },
    ],
    card: card.card,
  };
}

/** A pocket computer lying down: wide shell, window above, one row of wide keys below, patch under its strap. */
export function handheld(shell: Yellowing): Scene {
  const body: Rect = [60, 60, 360, 150];
  const hidden: Rect = [336, 68, 74, 60];
  const card = greyCard(90, 256);
  const keys = Array.from({ length: 9 }, (_, i): Plate[] => {
    const box: Rect = [78 + i * 37, 166, 30, 20];
    return [
      { id: `slab-${i}`, box, radiusMm: 3, lab: i % 4 === 3 ? TEAL : KEY_GREY, relief: 0.28, shadowMm: 1.4 },
      { id: `slab-${i}-mark`, box: [box[0] + 5, box[1] + 4, 3 + (i % 3) * 3, 1.2], radiusMm: 0.5, lab: PAPER },
    ];
  }).flat();
  return {
    widthMm: 480,
    heightMm: 360,
    bench: [58, -3, 6],
    plates: [
      {
        id: 'body',
        box: body,
        radiusMm: 7,
        lab: BONE,
        relief: 0.3,
        shadowMm: 10,
        yellowing: { ...shell, shadow: { box: hidden, softMm: 1 } },
      },
      { id: 'bezel', box: [76, 70, 250, 56], radiusMm: 3, lab: DARK, relief: -0.2 },
      { id: 'window', box: [86, 78, 230, 40], radiusMm: 1, lab: WINDOW },
      ...Array.from({ length: 3 }, (_, i) => ({
        id: `line-${i}`,
        box: [94, 84 + i * 10, 60 + ((i * 67) % 120), 3] as Rect,
        radiusMm: 0.5,
        lab: [26, -6, 3] as Lab,
      })),
      { id: 'strip', box: [60, 154, 360, 1.2], radiusMm: 0.5, lab: [60, 0, 6], relief: -0.2, yellowing: shell },
      ...keys,
      ...card.plates,
    ],
    regions: [
      { id: 'shell', plate: 'body', box: [80, 131, 240, 19] },
      { id: 'hidden', plate: 'body', box: [342, 74, 62, 48] },
    ],
    card: card.card,
  };
}

/** Shapes of a face that a session is judged on. */
export const FACES = ['plain', 'ridged', 'printed', 'strip', 'frame'] as const;
export type FaceShape = (typeof FACES)[number];

/** A single face on the bench, its yellow as given over its whole box: plain, with ridges or print, a strip, or a frame. */
export function face(shape: FaceShape, yellowing: Yellowing, soil?: readonly Soiling[]): Scene {
  const box: Rect = shape === 'strip' ? [40, 140, 400, 46] : [40, 50, 400, 200];
  const [x, y, w, h] = box;
  const card = greyCard(60, 292);
  const ridges = Array.from({ length: shape === 'ridged' ? 9 : 0 }, (_, i): Plate => ({
    ...{ id: `ridge-${i}`, box: [x + 30, y + 20 + i * 18, w - 60, 3] as Rect, radiusMm: 1.4, lab: BONE, relief: 0.12 },
    yellowing: { ...yellowing, cells: cutOut(yellowing.cells, box, [x + 30, y + 20 + i * 18, w - 60, 3]) },
  }));
  const print = Array.from({ length: shape === 'printed' ? 24 : 0 }, (_, i): Plate => ({
    ...{ id: `print-${i}`, box: [x + 24 + (i % 6) * 60, y + 24 + Math.floor(i / 6) * 40, 26, 3.4] as Rect },
    ...{ radiusMm: 1, lab: DARK },
  }));
  const hole: Rect = [x + 60, y + 45, w - 120, h - 90];
  return {
    widthMm: 480,
    heightMm: 360,
    bench: MAT,
    plates: [
      { id: 'face', box, radiusMm: 6, lab: BONE, relief: 0.25, shadowMm: 10, yellowing },
      ...ridges,
      ...print,
      ...(shape === 'frame' ? [{ id: 'hole', box: hole, radiusMm: 4, lab: SLOT, relief: -0.3 }] : []),
      ...card.plates,
    ],
    regions: [
      { id: 'face', plate: 'face', box: scaleBox(box, 3) },
      ...(shape === 'frame' ? [{ id: 'hole', plate: 'hole', box: scaleBox(hole, -2) }] : []),
    ],
    card: card.card,
    ...(soil && { soil }),
  };
}

/** The part of a field over a box that lies under a smaller box. */
function cutOut(
  cells: Yellowing['cells'],
  [x, y, w, h]: Rect,
  [ix, iy, iw, ih]: Rect,
): NonNullable<Yellowing['cells']> {
  const [columns, rows] = [160, 8];
  if (!cells) return { columns: 1, rows: 1, values: Float32Array.of(0) };
  const values = Float32Array.from({ length: columns * rows }, (_, i) => {
    const u = (ix + (((i % columns) + 0.5) / columns) * iw - x) / w;
    const v = (iy + ((Math.floor(i / columns) + 0.5) / rows) * ih - y) / h;
    return betweenCells(cells, u, v);
  });
  return { columns, rows, values };
}
