import { unlessRefused } from '@/core/refusal';
import * as heavy from '@/workers/heavy.worker';
import type { Worked } from './heavyPool';

type Works = typeof heavy;

/** In unit tests nothing is built: what the pool does is done at once. */
export const inPool = async <Name extends keyof Works>(
  name: Name,
  given: Parameters<Works[Name]>[0],
): Promise<Worked<Name>> => unlessRefused(await (heavy[name] as (given: unknown) => unknown)(given)) as Worked<Name>;
