/** What is said where an answer never came: the network or the server is away. Nothing that was typed is gone. */
export const notArrived = (failure: unknown): string =>
  `It did not arrive (${(failure as Error).message}). Look whether Kvell still runs and this device is in its network, then try again.`;
