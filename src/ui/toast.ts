import type { Undo } from './undoable';

// Toasts and their place come after the page: nothing is said before somebody did something.
const toasts = () => import('./Toasts');

/** Says that something was saved or done; it goes by itself, later where it can be undone. */
export function say(words: string, undo?: Undo): void {
  void toasts().then((part) => part.say(words, undo));
}

/** Says what went wrong; it stays until it is put away. */
export function warn(words: string): void {
  void toasts().then((part) => part.warn(words));
}
