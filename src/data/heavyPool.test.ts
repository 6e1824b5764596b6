import { inPool } from './heavyPool';

const niceness: number[] = [];

/** As the package does it: one work after another in each pool. The plan does not come to its end by itself. */
jest.mock('piscina', () => ({
  __esModule: true,
  default: class {
    private last: Promise<unknown> = Promise.resolve();
    constructor({ niceIncrement }: { niceIncrement: number }) {
      niceness.push(niceIncrement);
    }
    run(_: unknown, { name }: { name: string }) {
      const worked = this.last.then(() => (name === 'bench' ? new Promise(() => undefined) : name));
      this.last = worked;
      return worked;
    }
  },
}));

it('lets nothing that somebody waits for stand behind the plan, and the plan take what the others leave', async () => {
  void inPool('bench', {} as never);
  for (const asked of ['pdf', 'calendar', 'move', 'laidOut', 'evenedOf'] as const)
    expect(await inPool(asked, {} as never)).toBe(asked);
  const [plan, others, ...more] = niceness;
  expect(plan).toBeGreaterThan(0);
  expect(others).toBe(0);
  expect(more).toEqual([]);
});
