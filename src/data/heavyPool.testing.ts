import * as heavy from '@/workers/heavy.worker';

type Works = typeof heavy;

/** In unit tests nothing is built: what the pool does is done at once. */
export const inPool = async <Name extends keyof Works>(
  name: Name,
  given: Parameters<Works[Name]>[0],
): Promise<Awaited<ReturnType<Works[Name]>>> =>
  (await (heavy[name] as (given: unknown) => unknown)(given)) as Awaited<ReturnType<Works[Name]>>;
