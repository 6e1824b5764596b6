import path from 'node:path';
import Piscina from 'piscina';
import { Overload, unlessRefused, type Refused } from '@/core/refusal';
import type * as heavy from '@/workers/heavy.worker';

/** What runs in threads beside the one that answers, by its name in `workers/heavy.worker`. */
type Works = typeof heavy;

/** Where each is done. Of hundreds of machines the plan takes long: what somebody waits for does not stand behind it. */
const DONE_IN = {
  pdf: 'asked',
  bench: 'beside',
  calendar: 'asked',
  laidOut: 'asked',
  move: 'asked',
  evenedOf: 'asked',
  face: 'asked',
  sameFace: 'asked',
  soiled: 'asked',
} as const satisfies Record<keyof Works, string>;

type Place = (typeof DONE_IN)[keyof Works];

/** One thread in each place; it ends when it was idle for a while. */
const THREADS = 1;
const IDLE_MS = 30_000;
/** So many wait; more are told so. */
const MOST_WAITING = 24;
/** What one work may take, MB; more ends it, and nothing else. */
const MOST_MB = 768;
/** Of two cores one answers, and the other makes what is asked: what is done beside takes what they leave. */
const NICE: Record<Place, number> = { asked: 0, beside: 10 };

const kept = globalThis as { kvellPools?: Partial<Record<Place, Piscina>> };

/** What a work makes, if it does not refuse. */
export type Worked<Name extends keyof Works> = Exclude<Awaited<ReturnType<Works[Name]>>, Refused>;

/** Made when it is first asked for; the build writes its file (`scripts/prepare.mjs`). */
function pool(place: Place): Piscina {
  const pools = (kept.kvellPools ??= {});
  return (pools[place] ??= new Piscina({
    filename: path.join(process.cwd(), '.next', 'kvell', 'heavy.mjs'),
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    niceIncrement: NICE[place],
  }));
}

/**
 * Does heavy work in a thread of its own, after what was asked of the same place before it.
 *
 * @throws Overload where too much waits already, or it takes more memory than one work may
 * @throws Refusal where it refuses
 */
export async function inPool<Name extends keyof Works>(
  name: Name,
  given: Parameters<Works[Name]>[0],
): Promise<Worked<Name>> {
  return unlessRefused(await worked(name, given)) as Worked<Name>;
}

async function worked(name: keyof Works, given: unknown): Promise<unknown> {
  try {
    return await pool(DONE_IN[name]).run(given, { name });
  } catch (failure) {
    const { message, code } = failure as { message?: string; code?: string };
    if (/queue/i.test(message ?? '')) throw new Overload('', 'Too much is being made just now. Try again in a minute.');
    if (code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Overload('', 'This is too much to be made at once. Make it in parts.');
    throw failure;
  }
}
