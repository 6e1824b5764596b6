/**
 * Node’s arguments for `server.mjs`. Nearly all that a page is made of is let go once it is sent: in a small place for what is
 * new it is looked through while it is still in use, again and again.
 */
export const SERVER = ['--max-semi-space-size=32', 'scripts/server.mjs'];

/** Two arenas: what one thread decoded another can use again, instead of each keeping its own. */
export const SERVER_ENV = { MALLOC_ARENA_MAX: '2', NEXT_TELEMETRY_DISABLED: '1' };
