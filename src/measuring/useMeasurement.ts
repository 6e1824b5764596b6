'use client';

import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { MeasureResult } from '@/core/photo/measure';
import type { MeasureSpec } from '@/core/photo/spec';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { Corners } from '@/core/photo/corners';
import type { Heat, Worded } from '@/workers/picture.worker';
import { startPictureWorker, type StartedWorker } from '@/workers/startPictureWorker';
import type { HeatImage } from './PictureBoard';

export interface Reading {
  spec: MeasureSpec;
  result: MeasureResult;
  heats: HeatImage[];
}

function heatImage({ id, pixels, columns, rows, left, top, cellPx }: Heat): HeatImage {
  const canvas = document.createElement('canvas');
  canvas.width = columns;
  canvas.height = rows;
  canvas.getContext('2d')?.putImageData(new ImageData(pixels, columns, rows), 0, 0);
  return { id, url: canvas.toDataURL(), x: left, y: top, width: columns * cellPx, height: rows * cellPx };
}

/** Measures in a worker of its own, with progress; stopping ends the worker. */
export function useMeasurement() {
  const [share, setShare] = useState<number | null>(null);
  const [reading, setReading] = useState<Reading | null>(null);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const worker = useRef<StartedWorker | null>(null);

  const stop = () => {
    worker.current?.stop();
    worker.current = null;
    setShare(null);
  };
  useEffect(() => () => worker.current?.stop(), []);

  /** Runs work in a fresh worker; its errors are shown in words. */
  async function run<T>(words: string, work: (started: StartedWorker) => Promise<Worded<T>>): Promise<T | undefined> {
    stop();
    setErrors([]);
    setShare(0);
    const own = startPictureWorker();
    worker.current = own;
    try {
      const reply = await Promise.race([work(own), own.failed]);
      if (reply.ok) return reply.value;
      setErrors(reply.errors);
    } catch (failure) {
      setErrors([{ field: '', message: `${words} broke off (${(failure as Error).message}). What you drew is still here; try again.` }]);
    } finally {
      if (worker.current === own) stop();
    }
    return undefined;
  }

  async function measure(url: string, spec: MeasureSpec, flatUrl?: string) {
    setReading(null);
    const found = await run('The measurement', ({ remote }) => remote.measure({ url, flatUrl }, spec, proxy(setShare)));
    if (found) setReading({ spec, result: found.result, heats: found.heats.map(heatImage) });
  }

  /** Corners of the piece on the bench; says so where nothing stands out from it. */
  async function corners(url: string): Promise<Corners | null> {
    const found = await run('Looking for the corners', ({ remote }) => remote.corners({ url }));
    if (found === null)
      setErrors([{ field: '', message: 'Nothing stands out from the bench by itself here. Put the outline on by hand and drag its corners.' }]);
    return found ?? null;
  }

  return { share, reading, errors, measure, corners, stop, forget: () => setReading(null) };
}
