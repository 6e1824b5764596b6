import { wrap, type Remote } from 'comlink';
import type { PictureWorker } from './picture.worker';

export interface StartedWorker {
  remote: Remote<PictureWorker>;
  /** Never comes true; breaks off where the worker does. */
  failed: Promise<never>;
  stop: () => void;
}

/** Starts a worker of its own for work on a picture: stopping it is ending it. */
export function startPictureWorker(): StartedWorker {
  const worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', (event) => reject(new Error(event.message || 'the worker did not start'))),
  );
  // Whoever does not wait for it is not to hear of it either.
  failed.catch(() => {});
  return { remote: wrap<PictureWorker>(worker), failed, stop: () => worker.terminate() };
}
