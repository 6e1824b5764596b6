import { test as base } from '@playwright/test';

interface Day {
  /** Milliseconds that the browser's clock is set off by, as its server's is. */
  clockShiftMs: number;
}

/** The test of the whole house: every page of it stands on the day of its server. */
export const test = base.extend<Day>({
  clockShiftMs: [0, { option: true }],
  context: async ({ context, clockShiftMs }, hand) => {
    await context.addInitScript((shift) => {
      const Real = Date;
      globalThis.Date = new Proxy(Real, {
        // What is derived from Date stays what it is: the dates of a time zone are.
        construct: (target, given: number[], made) =>
          Reflect.construct(target, given.length === 0 ? [Real.now() + shift] : given, made) as object,
        get: (target, name, itself) =>
          name === 'now' ? () => Real.now() + shift : (Reflect.get(target, name, itself) as unknown),
      });
    }, clockShiftMs);
    await hand(context);
  },
});

/** The clock that pages and server go by. */
const timeBy = (clockShiftMs: number): Date => new Date(Date.now() + clockShiftMs);

export { expect, type Page } from '@playwright/test';

/** So many minutes ago by the clock of a workshop in Etc/GMT+2, as its fields take it: 2026-06-21T09:30. */
export const minutesAgo = (clockShiftMs: number, minutes: number): string =>
  new Date(timeBy(clockShiftMs).getTime() - 2 * 3_600_000 - minutes * 60_000).toISOString().slice(0, 16);
