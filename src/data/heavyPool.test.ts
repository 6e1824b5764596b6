import { Overload, Refusal } from '@/core/refusal';
import * as heavy from '@/workers/heavy.worker';
import { inPool } from './heavyPool';

const niceness: number[] = [];

/**
 * As the package does it: one work after another in each pool, and what is made is handed over as data. The plan does not come
 * to its end by itself, and of what is no picture only the name comes back.
 */
jest.mock('piscina', () => ({
  __esModule: true,
  default: class {
    private last: Promise<unknown> = Promise.resolve();
    constructor({ niceIncrement }: { niceIncrement: number }) {
      niceness.push(niceIncrement);
    }
    on() {}
    once() {}
    off() {}
    run(given: { picture?: object }, { name }: { name: 'evenedOf' | 'bench' }) {
      const worked = this.last.then(() => {
        if (name === 'bench') return new Promise(() => undefined);
        return given.picture ? structuredClone(heavy[name](given as never)) : name;
      });
      this.last = worked;
      return worked;
    }
  },
}));

const plain = (shade: number) => ({ width: 48, height: 36, data: new Uint8ClampedArray(4 * 48 * 36).fill(shade) });

it('lets nothing that somebody waits for stand behind the plan, and the plan take what the others leave', async () => {
  void inPool('bench', {} as never);
  for (const asked of ['pdf', 'calendar', 'move', 'laidOut', 'evenedOf', 'face', 'sameFace', 'soiled'] as const)
    expect(await inPool(asked, {} as never)).toBe(asked);
  const [plan, others, ...more] = niceness;
  expect(plan).toBeGreaterThan(0);
  expect(others).toBe(0);
  expect(more).toEqual([]);
});

it('brings back what was made, and a refusal as one', async () => {
  const evened = await inPool('evenedOf', { picture: plain(120), flat: plain(200) });
  expect(evened.data).toEqual(plain(120).data);
  const refused = inPool('evenedOf', { picture: plain(120), flat: plain(10) });
  await expect(refused).rejects.toBeInstanceOf(Refusal);
  await expect(refused).rejects.toMatchObject({ field: 'flatField', message: expect.stringContaining('too dark') });
  await expect(refused).rejects.not.toBeInstanceOf(Overload);
});
