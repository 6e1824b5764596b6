/** Milliseconds that this server's clock is set off by: tests and the demo of another day stand on a day of their own. */
const SET_OFF_MS = Number(process.env.KVELL_CLOCK_SHIFT_MS ?? 0);

/** The one place where the time is taken: once for each request, then handed on. */
export const clock = (): Date => new Date(Date.now() + SET_OFF_MS);
