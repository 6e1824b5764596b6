import { expose } from 'comlink';
import { faceChange, type FaceChange } from '@/core/face/faceChange';
import type { BoardKey } from '@/core/keyboard/layout';
import { compareCaps, type CapChange } from '@/core/keyboard/photo/compareCaps';
import type { FieldSpec } from '@/core/keyboard/photo/fieldSpec';
import { findKeys } from '@/core/keyboard/photo/findKeys';
import type { FoundKey } from '@/core/keyboard/photo/found';
import { refineCorners, type Corners } from '@/core/picture/corners';
import { hazeOf, type Haze, type HazeMarks } from '@/core/finish/haze';
import { rustPixels, rustShare } from '@/core/finish/rustShare';
import { findMarks } from '@/core/mending/marks/findMarks';
import { sizeOn, type Size, type SizeSpec } from '@/core/mending/marks/sizes';
import { outlineOf, type Outline } from '@/core/mending/outline/outline';
import type { OutlineSpec, Scale } from '@/core/mending/outline/spec';
import { coloursAt, type ColourMark } from '@/core/picture/colourAt';
import { dropOnPlastic } from '@/core/picture/dropOnPlastic';
import { evened } from '@/core/picture/flatField';
import { heatPixels } from '@/core/picture/heatMap';
import { measurePicture, type MeasureResult } from '@/core/picture/measure';
import type { Picture, Point } from '@/core/picture/picture';
import { calibrateSheet, findGreySheet } from '@/core/picture/greySheet';
import type { FoundSheet, KnownSheet } from '@/core/picture/greySheetPlan';
import type { CardPatch, MeasureSpec } from '@/core/picture/spec';
import { findOnBench, withHoles, type Found } from '@/core/picture/find';
import type { Srgb } from '@/core/colour/types';
import { Refusal } from '@/core/refusal';
import type { FieldError } from '@/core/sums/fieldErrors';

/** A face of metal with its rust. */
export interface RustSeen {
  share: number;
  low: number;
  high: number;
  pits: number;
  columns: number;
  rows: number;
  /** Rust by how much it covers, opaque. */
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

export interface Heat {
  id: string;
  pixels: Uint8ClampedArray<ArrayBuffer>;
  columns: number;
  rows: number;
  left: number;
  top: number;
  cellPx: number;
}

/** What was measured, with the spec that it was measured by. */
interface Reading {
  spec: MeasureSpec;
  result: MeasureResult;
  heats: Heat[];
}

/** Regions of the measuring screen, as what is kept names them. */
const PIECE = 'piece';
const HIDDEN = 'hidden';

export type Worded<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Decodes upright and in sRGB: the browser honours EXIF orientation and an embedded profile. */
async function decode(image: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(image, { imageOrientation: 'from-image' }).catch(() => {
    throw new Refusal('photo', 'This file is no picture that the browser can read. Choose a JPEG, PNG or WebP.');
  });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true, colorSpace: 'srgb' });
  if (!context)
    throw new Refusal('photo', 'This browser cannot decode the photograph in the background. Use a newer one.');
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

/** A photograph that is kept, by its address. */
async function fetched(url: string): Promise<Picture> {
  const response = await fetch(url);
  if (!response.ok)
    throw new Refusal('photo', 'The photograph did not load. Check that Kvell still runs, and measure again.');
  return decode(await response.blob());
}

/** A picture by its address, its light evened where a plain sheet was photographed with it. */
interface Source {
  url: string;
  flatUrl?: string | undefined;
}

async function load({ url, flatUrl }: Source): Promise<Picture> {
  const picture = await fetched(url);
  return flatUrl ? evened(picture, await fetched(flatUrl)) : picture;
}

/** Runs work; what a person can act on comes back as words, everything else breaks off. */
async function inWords<T>(work: () => Promise<T>): Promise<Worded<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (failure) {
    if (failure instanceof Refusal) return { ok: false, errors: [{ field: failure.field, message: failure.message }] };
    throw failure;
  }
}

/** A hand sets corners so near to their own edges, as a share of the picture’s width. */
const HAND_SHARE = 0.008;

/** The same scale with the corners of its thing on the edges that a hand set them near. */
function drawnToEdges<T extends Scale>(picture: Picture, spec: T): T {
  if (!spec.plane) return spec;
  const corners = refineCorners(picture, spec.plane.corners, Math.max(5, HAND_SHARE * picture.width));
  return { ...spec, plane: { ...spec.plane, corners } };
}

/** Half the side of what is read round a place of a haze, as a share of the picture’s width. */
const HAZE_REACH = 0.006;

const pictureWorker = {
  /** How much of the contrast a window takes. */
  haze(url: string, marks: HazeMarks): Promise<Worded<Haze>> {
    return inWords(async () => {
      const picture = await fetched(url);
      return hazeOf(picture, marks, HAZE_REACH * picture.width);
    });
  },
  /** The outline of a part on its photograph, mm. */
  outline(url: string, spec: OutlineSpec): Promise<Worded<Outline>> {
    return inWords(async () => {
      const picture = await fetched(url);
      return outlineOf(picture, drawnToEdges(picture, spec));
    });
  },

  /** How much is seen of the sheet of marks on a photograph; `null` where none lies there. */
  marks(url: string): Promise<Worded<{ share: number } | null>> {
    return inWords(async () => {
      const found = findMarks(await fetched(url));
      return found && { share: found.share };
    });
  },

  /** The colour at a mark of a picture that is kept nowhere, the light undone by the card. */
  colour(file: Blob, card: readonly CardPatch[], mark: ColourMark): Promise<Worded<Srgb>> {
    return inWords(async () => coloursAt(await decode(file), card, [mark])[0]!);
  },

  /** The colours of a drop and of the plastic that it lies on, the light undone by the card. */
  drop(
    url: string,
    card: readonly CardPatch[],
    drop: Point,
    plastic: Point,
  ): Promise<Worded<{ srgb: Srgb; beside: Srgb }>> {
    return inWords(async () => dropOnPlastic(await fetched(url), card, drop, plastic));
  },

  /** How much of a face of metal is rusty, and a map of it. */
  rust(url: string, card: readonly CardPatch[], corners: Corners): Promise<Worded<RustSeen>> {
    return inWords(async () => {
      const seen = rustShare(await fetched(url), { card, regions: [{ id: 'face', polygon: corners }] }, 'face');
      const { share, low, high, pits, columns, rows } = seen;
      return { share, low, high, pits, columns, rows, pixels: rustPixels(seen) };
    });
  },

  /** A size on a photograph. */
  size(url: string, spec: SizeSpec): Promise<Worded<Size>> {
    return inWords(async () => {
      const picture = await fetched(url);
      return sizeOn(picture, drawnToEdges(picture, spec));
    });
  },

  /** Measures a picture, with a heat map of each region; what lies inside the piece's outline and is not it is left out. */
  measure(source: Source, drawn: MeasureSpec, onProgress: (share: number) => void): Promise<Worded<Reading>> {
    return inWords(async () => {
      onProgress(0);
      const picture = await load(source);
      const spec = withHoles(picture, drawn, PIECE, HIDDEN);
      onProgress(0.4);
      const { result, maps } = measurePicture(picture, spec, (share) => onProgress(0.4 + 0.6 * share));
      const heats = maps.map(({ id, cells }) => ({
        id,
        pixels: heatPixels(cells),
        columns: cells.columns,
        rows: cells.rows,
        left: cells.left,
        top: cells.top,
        cellPx: cells.cellPx,
      }));
      return { spec, result, heats };
    });
  },

  /** Card, sheet of greys, piece and hidden patch on the bench, as far as the picture allows. */
  find(source: Source, cardSrgb: Srgb, sheets: readonly KnownSheet[]): Promise<Worded<Found>> {
    return inWords(async () => findOnBench(await load(source), cardSrgb, sheets));
  },

  /** What lies on a picture that is kept nowhere, and its size. */
  findOn(
    file: Blob,
    cardSrgb: Srgb,
    sheets: readonly KnownSheet[],
  ): Promise<Worded<{ width: number; height: number; found: Found }>> {
    return inWords(async () => {
      const picture = await decode(file);
      return { width: picture.width, height: picture.height, found: findOnBench(picture, cardSrgb, sheets) };
    });
  },

  /** How large a picture is, and where its sheet of greys lies. */
  findSheet(file: Blob): Promise<Worded<{ width: number; height: number; sheet: FoundSheet | null }>> {
    return inWords(async () => {
      const picture = await decode(file);
      return { width: picture.width, height: picture.height, sheet: findGreySheet(picture) };
    });
  },

  /** The keys on a photograph of a keyboard. */
  findKeys(url: string, { corners, widthMm, heightMm }: FieldSpec): Promise<Worded<FoundKey[]>> {
    return inWords(async () => findKeys(await fetched(url), corners, widthMm, heightMm));
  },

  /** Which caps stand otherwise than on an earlier photograph. */
  compareCaps(
    keys: readonly BoardKey[],
    field: Pick<FieldSpec, 'widthMm' | 'heightMm'>,
    before: { url: string; corners: Corners },
    after: { url: string; corners: Corners },
  ): Promise<Worded<Record<string, CapChange>>> {
    return inWords(async () => {
      const [first, later] = [await fetched(before.url), await fetched(after.url)];
      return compareCaps(
        keys,
        field,
        { picture: first, corners: before.corners },
        { picture: later, corners: after.corners },
      );
    });
  },

  /** What the greys of a sheet are, by a card beside it. */
  calibrate(file: Blob, card: readonly CardPatch[]): Promise<Worded<ReturnType<typeof calibrateSheet>>> {
    return inWords(async () => calibrateSheet(await decode(file), card));
  },

  /** Lays a later picture of a face over the first. */
  change(
    first: Source & { spec: MeasureSpec },
    later: Source & { spec: MeasureSpec },
    targetB: number | null,
    ids: { piece: string; hidden: string },
    onProgress: (share: number) => void,
  ): Promise<Worded<FaceChange>> {
    return inWords(async () => {
      onProgress(0);
      const before = { picture: await load(first), spec: first.spec };
      onProgress(0.3);
      const after = { picture: await load(later), spec: later.spec };
      onProgress(0.6);
      return faceChange(before, after, targetB, ids, (share) => onProgress(0.6 + 0.4 * share));
    });
  },
};

export type PictureWorker = typeof pictureWorker;

expose(pictureWorker);
