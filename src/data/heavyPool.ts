import path from 'node:path';
import Piscina from 'piscina';
import { Refusal } from '@/core/refusal';
import type { bench, calendar, evenedOf, laidOut, move, pdf } from '@/workers/heavy.worker';

/** What runs in threads beside the one that answers, by its name in `workers/heavy.worker`. */
interface Works {
  pdf: typeof pdf;
  bench: typeof bench;
  calendar: typeof calendar;
  laidOut: typeof laidOut;
  move: typeof move;
  evenedOf: typeof evenedOf;
}

/** One thread: of two cores the other answers. It ends when it was idle for a while. */
const THREADS = 1;
const IDLE_MS = 30_000;
/** So many wait; more are told so. */
const MOST_WAITING = 24;
/** What one work may take, MB; more ends it, and nothing else. */
const MOST_MB = 768;

const kept = globalThis as { kvellPool?: Piscina };

/** Made when it is first asked for; the build writes its file (`scripts/prepare.mjs`). */
function pool(): Piscina {
  return (kept.kvellPool ??= new Piscina({
    filename: path.join(process.cwd(), '.next', 'kvell', 'heavy.mjs'),
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  }));
}

/**
 * Does heavy work in a thread of its own, after what was asked before it.
 *
 * @throws Refusal where too much waits already, or it takes more memory than one work may
 */
export async function inPool<Name extends keyof Works>(
  name: Name,
  given: Parameters<Works[Name]>[0],
): Promise<Awaited<ReturnType<Works[Name]>>> {
  try {
    return (await pool().run(given, { name })) as Awaited<ReturnType<Works[Name]>>;
  } catch (failure) {
    const { message, code } = failure as { message?: string; code?: string };
    if (/queue/i.test(message ?? '')) throw new Refusal('', 'Too much is being made just now. Try again in a minute.');
    if (code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Refusal('', 'This is too much to be made at once. Make it in parts.');
    throw failure;
  }
}
