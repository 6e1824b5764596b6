'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { MeasureResult } from '@/core/photo/measure';
import type { MeasureSpec } from '@/core/photo/spec';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { Heat, MeasureWorker } from '@/workers/measure.worker';
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
  const worker = useRef<Worker | null>(null);

  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    setShare(null);
  };
  useEffect(() => () => worker.current?.terminate(), []);

  async function measure(url: string, spec: MeasureSpec) {
    stop();
    setErrors([]);
    setReading(null);
    setShare(0);
    const own = new Worker(new URL('../workers/measure.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const failed = new Promise<never>((_, reject) =>
      own.addEventListener('error', (event) => reject(new Error(event.message || 'the worker did not start'))),
    );
    try {
      const remote = wrap<MeasureWorker>(own) as Remote<MeasureWorker>;
      const reply = await Promise.race([remote.measure(url, spec, proxy(setShare)), failed]);
      if (reply.ok) setReading({ spec, result: reply.result, heats: reply.heats.map(heatImage) });
      else setErrors(reply.errors);
    } catch (failure) {
      setErrors([{ field: '', message: `The measurement broke off (${(failure as Error).message}). What you drew is still here; measure again.` }]);
    } finally {
      if (worker.current === own) stop();
    }
  }

  return { share, reading, errors, measure, stop, forget: () => setReading(null) };
}
