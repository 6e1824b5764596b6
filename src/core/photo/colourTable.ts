import { LINEAR_OF_CODE, writeLab } from '../colour/bulk';
import { Refusal } from '../refusal';
import type { Correction } from './correction';
import type { Picture } from './picture';
import type { Runs } from './polygon';

/**
 * The different 24-bit colours of a picture, numbered as they are met. With one correction and one
 * reference everything measured is a function of the 24-bit colour alone, and a photograph has far fewer
 * colours than pixels: each colour is worked out once.
 */
export class ColourTable {
  /** Number of a colour plus one; 0 is a colour not met. 64 MB, kept between pictures and cleaned by `release`. */
  private static spare: Int32Array | null = null;

  private readonly slots: Int32Array;
  private codes = new Int32Array(1 << 16);
  private labs = new Float32Array(3 << 16);
  private labsDone = 0;
  size = 0;

  constructor(private readonly correction: Correction) {
    this.slots = ColourTable.spare ?? new Int32Array(1 << 24);
    ColourTable.spare = null;
  }

  /**
   * Numbers of the colours along the runs of a region, and how often each colour occurs in it.
   *
   * @throws Refusal where the region is transparent
   */
  numberPixels({ data, width, channels }: Picture, runs: Runs, field: string): { ids: Int32Array; counts: Int32Array } {
    const { triples } = runs;
    const ids = new Int32Array(runs.pixelCount);
    const { slots } = this;
    let counts = new Int32Array(this.codes.length);
    let at = 0;
    for (let t = 0; t < triples.length; t += 3) {
      const row = triples[t]! * width;
      const end = (row + triples[t + 2]!) * channels;
      for (let i = (row + triples[t + 1]!) * channels; i < end; i += channels) {
        const code = (data[i]! << 16) | (data[i + 1]! << 8) | data[i + 2]!;
        let id = slots[code]! - 1;
        if (id < 0) {
          if (channels === 4 && data[i + 3]! < 255) throw transparent(field);
          id = this.size++;
          if (id >= this.codes.length) {
            this.codes = grown(this.codes);
            counts = grown(counts);
          }
          slots[code] = this.size;
          this.codes[id] = code;
        }
        counts[id]!++;
        ids[at++] = id;
      }
    }
    return { ids, counts };
  }

  /** L*, a*, b* of every colour met so far, three numbers a colour. */
  lab(): Float32Array {
    if (this.labs.length < 3 * this.codes.length) {
      const larger = new Float32Array(3 * this.codes.length);
      larger.set(this.labs);
      this.labs = larger;
    }
    const [m0, m1, m2, m3, m4, m5, m6, m7, m8] = this.correction.matrix as [number, number, number, number, number, number, number, number, number];
    const [o0, o1, o2] = this.correction.offset;
    for (let id = this.labsDone; id < this.size; id++) {
      const code = this.codes[id]!;
      const r = LINEAR_OF_CODE[code >> 16]!;
      const g = LINEAR_OF_CODE[(code >> 8) & 255]!;
      const b = LINEAR_OF_CODE[code & 255]!;
      writeLab(m0 * r + m1 * g + m2 * b + o0, m3 * r + m4 * g + m5 * b + o1, m6 * r + m7 * g + m8 * b + o2, this.labs, 3 * id);
    }
    this.labsDone = this.size;
    return this.labs;
  }

  /** The 24-bit code of a colour. */
  code(id: number): number {
    return this.codes[id]!;
  }

  /** Gives the large table back clean for the next picture. */
  release(): void {
    for (let id = 0; id < this.size; id++) this.slots[this.codes[id]!] = 0;
    ColourTable.spare = this.slots;
  }
}

function grown(array: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const larger = new Int32Array(array.length * 2);
  larger.set(array);
  return larger;
}

const transparent = (field: string) =>
  new Refusal(field, 'Part of this region is transparent in the picture. Use the photograph as the camera made it, without cut-out.');
