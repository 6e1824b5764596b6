/** Entries on a page of a log. */
export const LOG_SIZE = 100;

/** Entry before which a page of the log begins, as it stands in the address; `null` for the newest. */
export function beforeOf(before: string | undefined): number | null {
  const id = Number(before);
  return before !== undefined && Number.isSafeInteger(id) && id > 0 ? id : null;
}
