/** What is said where an answer never came: whether it was saved, nobody here can know. */
export const notArrived = (failure: unknown, then = 'Check whether it is before you try again.'): string =>
  `The answer did not come back (${(failure as Error).message}): it may be saved all the same. Check that Kvell runs and that this device is in its network. ${then}`;
