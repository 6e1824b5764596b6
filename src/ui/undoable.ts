/** What can be undone from a toast. */
export interface Undo {
  title: string;
  act: () => void;
}
