'use client';

import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PictureWorker, Worded } from './picture.worker';

/** Work on pictures in a worker of its own, with progress; stopping ends the worker. */
export function usePictureWorker() {
  /** 0 to 1 while something is worked on. */
  const [share, setShare] = useState<number | null>(null);
  const [errors, setErrors] = useState<string[]>([]);
  const running = useRef<Worker | null>(null);

  const stop = () => {
    running.current?.terminate();
    running.current = null;
    setShare(null);
  };
  useEffect(() => () => running.current?.terminate(), []);

  /**
   * Runs work in a fresh worker; its errors are shown in words.
   *
   * @param what is worked on, for the words of an error
   * @returns `undefined` where it was refused, stopped, or broke off
   */
  async function run<T>(
    what: string,
    work: (remote: Remote<PictureWorker>) => Promise<Worded<T>>,
  ): Promise<T | undefined> {
    stop();
    setErrors([]);
    setShare(0);
    const own = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
    running.current = own;
    const failed = new Promise<never>((_, reject) =>
      own.addEventListener('error', (event) => reject(new Error(event.message || 'the worker did not start'))),
    );
    try {
      const reply = await Promise.race([work(wrap<PictureWorker>(own)), failed]);
      if (reply.ok) return reply.value;
      setErrors(reply.errors.map(({ message }) => message));
    } catch (failure) {
      setErrors([`${what} broke off (${(failure as Error).message}). Nothing is lost; try again.`]);
    } finally {
      if (running.current === own) stop();
    }
    return undefined;
  }

  return { share, setShare, errors, setErrors, run, stop };
}
