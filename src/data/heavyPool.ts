import path from 'node:path';
import pLimit, { type LimitFunction } from 'p-limit';
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
const MINUTE_MS = 60_000;
/**
 * And how long: one that came to no end would hold up all that wait behind it for ever. Nobody waits for what is done beside,
 * and the plan of 1,004 machines takes 21 s where nothing else is asked.
 */
const MOST_MS: Record<Place, number> = { asked: 5 * MINUTE_MS, beside: 30 * MINUTE_MS };
/** Of two cores one answers, and the other makes what is asked: what is done beside takes what they leave. */
const NICE: Record<Place, number> = { asked: 0, beside: 10 };

/** Threads, and the turn of those who wait for one. */
interface Staffed {
  threads: Piscina;
  inTurn: LimitFunction;
}

const kept = globalThis as { kvellPools?: Partial<Record<Place, Staffed>> };

/** What a work makes, if it does not refuse. */
export type Worked<Name extends keyof Works> = Exclude<Awaited<ReturnType<Works[Name]>>, Refused>;

/** Made when it is first asked for; the build writes its file (`scripts/prepare.mjs`). */
function staffed(place: Place): Staffed {
  const pools = (kept.kvellPools ??= {});
  const found = pools[place];
  if (found) return found;
  const threads = new Piscina({
    filename: path.join(process.cwd(), '.next', 'kvell', 'heavy.mjs'),
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    niceIncrement: NICE[place],
  });
  // A thread that died with no work in hand: nobody waits who could be told, and the next work gets another one.
  threads.on('error', (failure: Error) => process.emitWarning(failure));
  // Nothing waits in the package: what waits there for a thread that dies is never begun.
  return (pools[place] = { threads, inTurn: pLimit(THREADS) });
}

/**
 * Does heavy work in a thread of its own, after what was asked of the same place before it.
 *
 * @throws Overload where too much waits already, or it takes more memory or time than one work may
 * @throws Refusal where it refuses
 */
export async function inPool<Name extends keyof Works>(
  name: Name,
  given: Parameters<Works[Name]>[0],
): Promise<Worked<Name>> {
  const { threads, inTurn } = staffed(DONE_IN[name]);
  if (inTurn.pendingCount >= MOST_WAITING)
    throw new Overload('', 'Too much is being made just now. Try again in a minute.');
  return unlessRefused(await inTurn(() => worked(threads, name, given))) as Worked<Name>;
}

async function worked(threads: Piscina, name: keyof Works, given: unknown): Promise<unknown> {
  // What a thread dies of before it has taken up its work, the package tells of beside that work, which would wait on.
  const died = new AbortController();
  const tell = (failure: unknown) => died.abort(failure);
  threads.once('error', tell);
  try {
    const signal = AbortSignal.any([died.signal, AbortSignal.timeout(MOST_MS[DONE_IN[name]])]);
    return await threads.run(given, { name, signal });
  } catch (failure) {
    if (died.signal.aborted) throw died.signal.reason;
    const { name: kind, code } = failure as { name?: string; code?: string };
    if (kind === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Overload('', 'This is too much to be made at once. Make it in parts.');
    throw failure;
  } finally {
    threads.off('error', tell);
  }
}
