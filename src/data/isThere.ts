import { stat } from 'node:fs/promises';

/** Whether something lies at a path. */
export const isThere = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );
