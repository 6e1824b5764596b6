/** What a view of the keys is asked for. */
export interface Asked {
  restorationId: string;
  /** Which keyboard, where a machine has several. */
  board: string | undefined;
}
