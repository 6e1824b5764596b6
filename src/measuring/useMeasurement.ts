'use client';

import { proxy } from 'comlink';
import { useState } from 'react';
import type { MeasureResult } from '@/core/photo/measure';
import type { MeasureSpec } from '@/core/photo/spec';
import type { Corners } from '@/core/photo/corners';
import { pixelsUrl } from '@/ui/pixelsUrl';
import type { Heat } from '@/workers/picture.worker';
import { usePictureWorker } from '@/workers/usePictureWorker';
import type { HeatImage } from './PictureBoard';

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
  const { share, setShare, errors, setErrors, run, stop } = usePictureWorker();
  const [reading, setReading] = useState<Reading | null>(null);

  async function measure(url: string, spec: MeasureSpec, flatUrl?: string) {
    setReading(null);
    const found = await run('The measurement', (remote) => remote.measure({ url, flatUrl }, spec, proxy(setShare)));
    if (found) setReading({ spec, result: found.result, heats: found.heats.map(heatImage) });
  }

  /** Corners of the piece on the bench; says so where nothing stands out from it. */
  async function corners(url: string): Promise<Corners | null> {
    const found = await run('Looking for the corners', (remote) => remote.corners({ url }));
    if (found === null) setErrors(['Nothing stands out from the bench by itself here. Put the outline on by hand and drag its corners.']);
    return found ?? null;
  }

  return { share, reading, errors, measure, corners, stop, forget: () => setReading(null) };
}
