import { LINEAR_OF_CODE, writeLab } from '../colour/bulk';
import { Refusal } from '../refusal';
import type { Correction } from './correction';
import type { Runs } from './polygon';

/**
 * The different 24-bit colours of a region. With one correction and one reference everything measured is a
 * function of the 24-bit colour alone, and a photograph has far fewer colours than pixels: each colour is
 * worked out once, and a pixel costs one visit to a table.
 */
export interface RegionColours {
  size: number;
  /** 24-bit code: blue high, red low. */
  codes: Int32Array;
  /** Pixels of each colour. */
  counts: Int32Array;
  /** L*, a*, b* of each colour, three numbers a colour. */
  labs: Float32Array;
}

/** One place for each 24-bit colour, 64 MB, kept between pictures; all zero when nobody uses it. */
let spare: Uint32Array<ArrayBuffer> | null = null;

/** Lends the table of all colours to `borrow`; `used` lists what has to be cleaned afterwards. */
export function withColourTable<T>(borrow: (table: Uint32Array<ArrayBuffer>) => { result: T; used: RegionColours }): T {
  const table = spare ?? new Uint32Array(1 << 24);
  spare = null;
  const { result, used } = borrow(table);
  for (let id = 0; id < used.size; id++) table[used.codes[id]!] = 0;
  spare = table;
  return result;
}

/**
 * Counts the colours along the runs of a region and works out their L*a*b*.
 *
 * @param words the picture's pixels, see `pixelWords`
 * @throws Refusal where the region is transparent
 */
export function countColours(
  table: Uint32Array,
  words: Uint32Array,
  width: number,
  { triples }: Runs,
  correction: Correction,
  field: string,
): RegionColours {
  let codes = new Int32Array(1 << 15);
  let size = 0;
  for (let t = 0; t < triples.length; t += 3) {
    const row = triples[t]! * width;
    const end = row + triples[t + 2]!;
    for (let i = row + triples[t + 1]!; i < end;) {
      i = countKnown(table, words, i, end);
      if (i === end) break;
      const word = words[i]!;
      if (word >>> 24 < 255) {
        for (let id = 0; id < size; id++) table[codes[id]!] = 0;
        throw new Refusal(
          field,
          'Part of this region is transparent in the picture. Use the photograph as the camera made it, without cut-out.',
        );
      }
      if (size === codes.length) codes = grown(codes);
      codes[size++] = word & 0xffffff;
      table[word & 0xffffff] = 1;
      i++;
    }
  }
  const counts = new Int32Array(size);
  const labs = new Float32Array(3 * size);
  for (let id = 0; id < size; id++) {
    counts[id] = table[codes[id]!]!;
    writeCorrected(correction, codes[id]!, labs, 3 * id);
  }
  return { size, codes, counts, labs };
}

/** Highest byte of an opaque pixel. */
const OPAQUE = 255;

/**
 * Counts pixels until a colour not met before, or one that is not opaque. It holds no call: with one in the
 * loop the engine reloads every array for every pixel, which doubles the time. Four pixels a turn save nearly
 * half of the rest.
 *
 * @returns where it stopped
 */
function countKnown(table: Uint32Array, words: Uint32Array, from: number, to: number): number {
  let i = from;
  for (; i + 4 <= to; i += 4) {
    const w0 = words[i]!;
    const w1 = words[i + 1]!;
    const w2 = words[i + 2]!;
    const w3 = words[i + 3]!;
    const c0 = w0 & 0xffffff;
    const c1 = w1 & 0xffffff;
    const c2 = w2 & 0xffffff;
    const c3 = w3 & 0xffffff;
    if (
      table[c0] === 0 ||
      table[c1] === 0 ||
      table[c2] === 0 ||
      table[c3] === 0 ||
      (w0 & w1 & w2 & w3) >>> 24 !== OPAQUE
    )
      break;
    table[c0]! += 1;
    table[c1]! += 1;
    table[c2]! += 1;
    table[c3]! += 1;
  }
  for (; i < to; i++) {
    const word = words[i]!;
    const code = word & 0xffffff;
    const count = table[code]!;
    if (count === 0 || word >>> 24 !== OPAQUE) return i;
    table[code] = count + 1;
  }
  return to;
}

function writeCorrected({ matrix, offset }: Correction, code: number, labs: Float32Array, at: number): void {
  const r = LINEAR_OF_CODE[code & 255]!;
  const g = LINEAR_OF_CODE[(code >> 8) & 255]!;
  const b = LINEAR_OF_CODE[code >> 16]!;
  writeLab(
    matrix[0]! * r + matrix[1]! * g + matrix[2]! * b + offset[0],
    matrix[3]! * r + matrix[4]! * g + matrix[5]! * b + offset[1],
    matrix[6]! * r + matrix[7]! * g + matrix[8]! * b + offset[2],
    labs,
    at,
  );
}

function grown(array: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const larger = new Int32Array(array.length * 2);
  larger.set(array);
  return larger;
}
