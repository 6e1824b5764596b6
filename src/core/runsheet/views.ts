import { STAGES, type Stage } from './stages';

/** One view of a stage: a question of its own, at an address of its own. */
export interface View {
  /** Last part of its address; the first view of a stage stands at the stage's own. */
  at: string;
  title: string;
}

/** The views of each stage in order; the first says what is to be done now. */
export const VIEWS: Record<Stage, readonly [View, ...View[]]> = {
  intake: [
    { at: '', title: 'Survey' },
    { at: 'machine', title: 'Machine and aim' },
    { at: 'power', title: 'First power' },
    { at: 'test', title: 'First test' },
  ],
  teardown: [
    { at: '', title: 'Off next' },
    { at: 'off', title: 'What is off' },
    { at: 'tray', title: 'Tray' },
    { at: 'order', title: 'This before that' },
  ],
  wash: [
    { at: '', title: 'At the sink' },
    { at: 'spots', title: 'Spots' },
    { at: 'clean', title: 'How clean' },
    { at: 'baths', title: 'Baths' },
  ],
  brighten: [
    { at: '', title: 'Now' },
    { at: 'ways', title: 'Choose the way' },
    { at: 'plan', title: 'Plan' },
    { at: 'sky', title: 'Sky and turns' },
    { at: 'ahead', title: 'Look ahead' },
    { at: 'past', title: 'So far' },
  ],
  keys: [
    { at: '', title: 'Board' },
    { at: 'caps', title: 'Caps' },
    { at: 'test', title: 'Test' },
    { at: 'lines', title: 'Lines' },
    { at: 'find', title: 'Find the fault' },
    { at: 'mend', title: 'Mend it' },
  ],
  mend: [
    { at: '', title: 'Now' },
    { at: 'choose', title: 'Choose the way' },
    { at: 'measure', title: 'Measure' },
    { at: 'make', title: 'Make a part' },
    { at: 'tint', title: 'Tint' },
  ],
  finish: [
    { at: '', title: 'Now' },
    { at: 'rust', title: 'Rust' },
    { at: 'paint', title: 'Colour' },
    { at: 'coats', title: 'Coats' },
    { at: 'polish', title: 'Polish' },
    { at: 'lost', title: 'Lost marks' },
    { at: 'last', title: 'Last coat' },
    { at: 'original', title: 'Original' },
  ],
  rebuild: [
    { at: '', title: 'On next' },
    { at: 'way', title: 'The way back' },
    { at: 'close', title: 'Test and close' },
  ],
  record: [
    { at: '', title: 'Now' },
    { at: 'pieces', title: 'Before and after' },
    { at: 'done', title: 'What was done' },
    { at: 'covered', title: 'To be covered' },
  ],
};

/**
 * Address of a view of a stage.
 *
 * @example
 * viewHref('a1', 'brighten', 'plan'); // '/restorations/a1/brighten/plan'
 */
export const viewHref = (restorationId: string, stage: Stage, view = ''): string =>
  `/restorations/${restorationId}/${stage}${view === '' ? '' : `/${view}`}`;

/**
 * Where a digit leads: to its stage, and from there to the next view of it, round and round.
 *
 * @param path of the page on which it is pressed
 * @param digit 1 to 9, the stages in order
 * @returns the address; `null` for a digit that has no stage
 * @example
 * viewByDigit('a1', '/restorations/a1/wash', 3); // '/restorations/a1/wash/spots'
 */
export function viewByDigit(restorationId: string, path: string, digit: number): string | null {
  const stage = STAGES[digit - 1];
  if (!stage) return null;
  const views = VIEWS[stage];
  const here = views.findIndex(({ at }) => viewHref(restorationId, stage, at) === path);
  return viewHref(restorationId, stage, views[(here + 1) % views.length]!.at);
}
