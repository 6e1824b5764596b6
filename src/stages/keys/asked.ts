/** What a view of the keys is asked for. */
export interface Asked {
  restorationId: string;
  /** Which keyboard, where a machine has several. */
  board: string | undefined;
}

/** How a keyboard is photographed. */
export const KEYBOARD_PHOTO = {
  stage: 'keys',
  what: 'the keyboard',
  how: 'From straight above, all caps in the picture, no glare on them.',
} as const;
