import { assumed } from '../assumptions/assumptions';
import type { School } from './schools';

/** What has to be known of a piece to say which ways are open to it. */
export interface PieceFacts {
  /** Paper labels, in words. */
  labels: string;
  metalInside: string;
  /** Print that may fade, paint, or a clear window on it. */
  printed: boolean;
  /** Caps of which nobody said how their legends are made. */
  legendsUnknown?: boolean;
  painted: boolean;
  clear: boolean;
  brittle: boolean;
  /** Surfaces on it that peroxide must not get to, in the words of the data set, without those named above. */
  spared: readonly { id: string; title: string; why: string }[];
  /** What is to be kept as it is on it, in words. */
  marks: readonly string[];
}

type GateId =
  | `spared-${string}`
  | 'labels'
  | 'legends'
  | 'marks'
  | 'paint'
  | 'window'
  | 'test-piece'
  | 'brittle'
  | 'weighed-down'
  | 'no-dose';

/** Something that has to be done, or taken on, before an exposure starts; the person says that it is. */
export interface Gate {
  /** Of a piece among several it carries the piece's id before it. */
  id: GateId | `${string}:${GateId}`;
  words: string;
}

/**
 * What stands before the start of an exposure of a piece, beside its cautions. Dirt and metal are not asked about: they
 * hold it up by themselves.
 *
 * @param tried whether a piece of this plastic came through this way here before
 */
export function gatesOf(school: School, piece: PieceFacts, tried: boolean): Gate[] {
  const { labels, marks, printed, painted, clear, brittle, spared, legendsUnknown } = piece;
  const under = school.solution === 'bath' && school.medium !== 'cream';
  const open: (Gate | false)[] = [
    labels !== '' && {
      id: 'labels',
      words: under ? `Lifted, or taped over and kept above the solution: ${labels}` : `Taped over or lifted: ${labels}`,
    },
    legendsUnknown === true && {
      id: 'legends',
      words:
        'The legends were looked at: moulded through, engraved or dyed they stay, printed ones are tried on the least needed cap first. Say which under the piece’s surfaces',
    },
    marks.length > 0 && {
      id: 'marks',
      words: `Covered from ${under ? 'solution' : 'cream'} and light, and kept: ${marks.join('; ')}`,
    },
    painted && { id: 'paint', words: 'The paint is masked, or may be lost' },
    clear && { id: 'window', words: 'The clear window is taken off or masked' },
    ...spared.map(({ id, title, why }) => ({
      id: `spared-${id}` as const,
      words: `${title}: off, or sealed so that no peroxide gets to it. ${why}`,
    })),
    (printed || brittle || !tried) && {
      id: 'test-piece',
      words: `A less important piece of the same plastic${printed ? ', with the same print,' : ''} came through this way, or nothing like it is left to try`,
    },
    brittle && {
      id: 'brittle',
      words: 'It is brittle and may break under film, hands or warm water; that is taken on',
    },
    under && { id: 'weighed-down', words: 'It is weighed down under the surface, and no face lies on another' },
  ];
  return open.filter((gate): gate is Gate => gate !== false);
}

/** A window that brings next to nothing is not begun by mistake. */
export const noDoseGate = ({ driver }: Pick<School, 'driver'>, dose: number): Gate[] =>
  driver === 'sun' && dose < assumed('next to no dose')
    ? [
        {
          id: 'no-dose',
          words: 'The sun is down or too weak, so this window brings next to no dose. It is begun all the same',
        },
      ]
    : [];

/** Gates of several pieces that lie together: those of each by its tag, and once what holds for all. */
export function gatesTogether(of: readonly { id: string; tag: string; gates: readonly Gate[] }[]): Gate[] {
  if (of.length === 1) return [...of[0]!.gates];
  const shared = (gate: Gate) => gate.id === 'weighed-down';
  const own = of.flatMap(({ id, tag, gates }) =>
    gates
      .filter((gate) => !shared(gate))
      .map((gate): Gate => ({ id: `${id}:${gate.id as GateId}`, words: `${tag}: ${gate.words}` })),
  );
  return [...own, ...of[0]!.gates.filter(shared)];
}

/** Gates that were not said to be passed. */
export const gatesLeft = (gates: readonly Gate[], passed: readonly string[]): Gate[] =>
  gates.filter(({ id }) => !passed.includes(id));

/** What one looks after while an exposure runs, beside the turns: how often, and what to do. */
interface Tending {
  everyMin: number;
  words: string;
}

/** Cream dries, froth shades the light, a bath grows old: what a way asks to be looked after. */
export function tendingOf({ medium, solution, driver }: Pick<School, 'medium' | 'solution' | 'driver'>): Tending[] {
  if (medium === 'cream')
    return driver === 'lamp'
      ? [{ everyMin: 180, words: 'Lamp off, look under the film: wet it where the cream dries.' }]
      : [
          {
            everyMin: 120,
            words: 'Lift a corner of the film: brush fresh cream on where it has dried, and lay it down without folds.',
          },
        ];
  if (medium === 'powder')
    return [{ everyMin: 240, words: 'The powder is spent after some hours: pour off half, stir in fresh powder.' }];
  if (solution === 'pool')
    return [{ everyMin: 1440, words: 'The pool grows weak in a day or two: renew it, lid laid on, never sealed.' }];
  if (solution === 'bag')
    return [{ everyMin: 120, words: 'Look through the bag: all still wet, and not blown up? Vent it.' }];
  return [
    { everyMin: 360, words: 'Old solution and froth shade the light: skim it, stir it, and renew it after two days.' },
  ];
}
