import { inPool } from './heavyPool';

/** As the package does it: one work after another in each pool. The plan does not come to its end by itself. */
jest.mock('piscina', () => ({
  __esModule: true,
  default: class {
    private last: Promise<unknown> = Promise.resolve();
    constructor(private readonly options: { niceIncrement: number }) {}
    run(given: unknown, { name }: { name: string }) {
      const worked = this.last.then(() =>
        name === 'bench' ? new Promise(() => undefined) : this.options.niceIncrement,
      );
      this.last = worked;
      return worked;
    }
  },
}));

it('lets nothing that somebody waits for stand behind the plan, nor work as leisurely', async () => {
  void inPool('bench', {} as never);
  for (const asked of ['pdf', 'calendar', 'move', 'laidOut', 'evenedOf'] as const)
    expect(await inPool(asked, {} as never)).toBe(0);
});
