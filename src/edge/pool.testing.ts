import * as paper from '@/workers/paper.worker';

/** In unit tests nothing is built: what the pool does is done at once. */
export const inPool = (name: keyof typeof paper, given: Parameters<(typeof paper)[typeof name]>[0]): Promise<Uint8Array> => paper[name](given);
