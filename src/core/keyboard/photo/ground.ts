import { median } from '../../numbers';
import type { Box } from './boxes';
import type { Field } from './field';

/** A box whose colour lies so far on the way from that of caps to that of the gaps between them, and has no print, is ground. */
const AS_GROUND = 0.8;
/** Print differs from its cap by so much, L*, and covers so large a share of it. */
const PRINT_L = 8;
const LEAST_PRINT = 0.006;
const MOST_PRINT = 0.4;

/** Median colour of the cells of a frame round a box, from so far outside to so far outside, mm; below 0 inside. */
function frameColour(box: Box, from: number, to: number, { columns, rows, pxPerMm, lab }: Field): number[] {
  const reach = Math.ceil(to * pxPerMm);
  const channels: number[][] = [[], [], []];
  for (let r = Math.max(0, Math.floor(box.top) - reach); r < Math.min(rows, box.bottom + reach); r++)
    for (let c = Math.max(0, Math.floor(box.left) - reach); c < Math.min(columns, box.right + reach); c++) {
      const outside = -Math.min(c - box.left, box.right - c, r - box.top, box.bottom - r) / pxPerMm;
      if (outside < from || outside > to) continue;
      for (let k = 0; k < 3; k++) channels[k]!.push(lab[3 * (r * columns + c) + k]!);
    }
  return channels.map((values) => median(values) ?? 0);
}

/** Caps without the stretches of bare ground that caps happen to frame. */
export function withoutGround<T extends Box>(caps: readonly T[], field: Field): T[] {
  const rings = caps.map((cap) => frameColour(cap, 0.3, 0.9, field));
  const ground = [0, 1, 2].map((k) => median(rings.map((ring) => ring[k]!)) ?? 0);
  const own = caps.map((cap) => frameColour(cap, -Infinity, -1.2, field));
  const cap = [0, 1, 2].map((k) => median(own.map((colour) => colour[k]!)) ?? 0);
  // How far a box lies on the way from the colour of caps to that of the ground; gaps are narrow, and mixed with both.
  const way = cap.map((one, k) => ground[k]! - one);
  const length = way.reduce((sum, one) => sum + one * one, 0);
  const along = (colour: readonly number[]) =>
    length < 1 ? 0 : colour.reduce((sum, one, k) => sum + (one - cap[k]!) * way[k]!, 0) / length;
  return caps.filter((box, i) => along(own[i]!) < AS_GROUND || hasPrint(box, field));
}

/** Whether the inside of a box has print: a small part of it is plainly lighter or darker than the rest. */
function hasPrint(box: Box, { columns, pxPerMm, lab }: Field): boolean {
  const rim = 3 * pxPerMm;
  const inside: number[] = [];
  for (let r = Math.ceil(box.top + rim); r < box.bottom - rim; r++)
    for (let c = Math.ceil(box.left + rim); c < box.right - rim; c++) inside.push(lab[3 * (r * columns + c)]!);
  const middle = median(inside);
  if (middle === undefined) return false;
  const other = inside.filter((l) => Math.abs(l - middle) > PRINT_L).length / inside.length;
  return other > LEAST_PRINT && other < MOST_PRINT;
}
