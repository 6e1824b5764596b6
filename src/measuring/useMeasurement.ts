'use client';

import { proxy } from 'comlink';
import { useState } from 'react';
import type { MeasureResult } from '@/core/picture/measure';
import type { MeasureSpec } from '@/core/picture/spec';
import type { Srgb } from '@/core/colour/types';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { Found } from '@/core/picture/find';
import { pixelsUrl } from '@/ui/pixelsUrl';
import type { Heat } from '@/workers/picture.worker';
import { usePictureWorker } from '@/workers/usePictureWorker';
import type { HeatImage } from '@/ui/picture/PictureBoard';

export interface Reading {
  spec: MeasureSpec;
  result: MeasureResult;
  heats: HeatImage[];
}

const heatImage = ({ id, pixels, columns, rows, left, top, cellPx }: Heat): HeatImage => ({
  id,
  url: pixelsUrl(pixels, columns, rows),
  x: left,
  y: top,
  width: columns * cellPx,
  height: rows * cellPx,
});

/** Measures in a worker of its own, with progress; stopping ends the worker. */
export function useMeasurement() {
  const { share, setShare, errors, run, stop } = usePictureWorker();
  const [reading, setReading] = useState<Reading | null>(null);

  async function measure(url: string, spec: MeasureSpec, flatUrl?: string) {
    setReading(null);
    const found = await run('The measurement', (remote) => remote.measure({ url, flatUrl }, spec, proxy(setShare)));
    if (found) setReading({ spec: found.spec, result: found.result, heats: found.heats.map(heatImage) });
  }

  /** Card, piece and hidden patch, as far as the picture allows. */
  const find = (url: string, cardSrgb: Srgb, sheets: readonly KnownSheet[]): Promise<Found | undefined> =>
    run('Looking for card and piece', (remote) => remote.find({ url }, cardSrgb, sheets));

  return { share, reading, errors, measure, find, stop, forget: () => setReading(null) };
}
