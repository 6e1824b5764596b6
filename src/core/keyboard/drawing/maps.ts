import { lookAlikes, STEM_PLACES, wideKeys, type CapState, type StemPlace } from '../caps';
import type { Line } from '../board';
import type { Observed } from '../evidence';
import { KIND, type KeyboardKind } from '../kinds';
import type { Board } from '../layout';
import { MEASURE, mixedSprings, partsOff, type Measure } from '../measured';
import { SEEN, STEM_WORDS } from './signs';

/** Maps of a keyboard that go onto paper. */
export const MAPS = ['lines', 'caps', 'springs'] as const;
export type KeyMap = (typeof MAPS)[number];

export const MAP_TITLES: Record<KeyMap, string> = {
  lines: 'Map of lines and what keys did',
  caps: 'Map of caps',
  springs: 'Map of springs',
};

export const hasMap = (kind: KeyboardKind, map: KeyMap): boolean =>
  map !== 'springs' || KIND[kind].parts.includes('spring');

/** What is known of a keyboard, as far as its maps show it. */
export interface Known {
  seen: Readonly<Record<string, Observed>>;
  caps: readonly { key: string; state: CapState; isOff: boolean; stem: StemPlace | null }[];
  /** The newest last. */
  measures: readonly { key: string; what: Measure; value: number | null }[];
}

/** A key on paper. */
interface OnPaper {
  tone: 'plain' | 'dark' | 'amber';
  sign: string;
  /** A figure below its name. */
  under: string;
}

/** A map: how each key is shown, what is drawn over them, and what it says in words. */
export interface DrawnMap {
  title: string;
  keys: Readonly<Record<string, OnPaper>>;
  lines: readonly Line[];
  stems: Readonly<Record<string, StemPlace>>;
  words: string[];
}

const listed = (title: string, keys: readonly string[]): string[] =>
  keys.length === 0 ? [] : [`${title}: ${keys.join(', ')}.`];

function linesMap(board: Board, { seen }: Known): Omit<DrawnMap, 'title'> {
  const did = (state: Observed) => board.keys.filter(({ id }) => seen[id] === state).map(({ id }) => id);
  return {
    keys: Object.fromEntries(
      board.keys.flatMap(({ id }): [string, OnPaper][] => {
        const state = seen[id] ?? 'unknown';
        if (state !== 'dead' && state !== 'stuck') return [];
        return [[id, { tone: state === 'dead' ? 'dark' : 'amber', sign: SEEN[state].sign, under: '' }]];
      }),
    ),
    lines: board.lines,
    stems: {},
    words: [
      ...listed('Dead when last tried', did('dead')),
      ...listed('Stay on', did('stuck')),
      ...board.lines.map(
        ({ id, kind, route, foldAfter }) =>
          `${id}, ${kind}, from the connector: ${route.join(', ')}${foldAfter.length > 0 ? `; folds after ${foldAfter.join(', ')}` : ''}.`,
      ),
    ],
  };
}

/** How a cap is marked by its state. */
export const CAP_SIGN: Record<CapState, string> = {
  good: '',
  'worn legend': '≈',
  'cracked stem': '⌁',
  'stub in the cap': '▮',
  missing: '×',
};

function capsMap(board: Board, { caps }: Known): Omit<DrawnMap, 'title'> {
  const known = caps.filter(({ key }) => board.keys.some(({ id }) => id === key));
  const stems = Object.fromEntries(known.flatMap(({ key, stem }) => (stem ? [[key, stem]] : [])));
  const inState = (state: CapState) => known.filter((cap) => cap.state === state).map(({ key }) => key);
  return {
    keys: Object.fromEntries(
      known
        .filter(({ state, isOff }) => state !== 'good' || isOff)
        .map(({ key, state, isOff }): [string, OnPaper] => [
          key,
          {
            tone: state === 'missing' || state === 'stub in the cap' ? 'dark' : isOff ? 'amber' : 'plain',
            sign: `${isOff ? '↑' : ''}${CAP_SIGN[state]}`,
            under: '',
          },
        ]),
    ),
    lines: [],
    stems,
    words: [
      ...listed(
        'Off (↑)',
        known.filter(({ isOff }) => isOff).map(({ key }) => key),
      ),
      ...(['worn legend', 'cracked stem', 'stub in the cap', 'missing'] as const).flatMap((state) =>
        listed(`${state[0]!.toUpperCase()}${state.slice(1)} (${CAP_SIGN[state]})`, inState(state)),
      ),
      ...STEM_PLACES.flatMap((place) =>
        listed(
          STEM_WORDS[place],
          Object.keys(stems).filter((key) => stems[key] === place),
        ),
      ),
      ...lookAlikes(board.keys).map((group) => `Look alike: ${group.join(', ')}.`),
    ],
  };
}

function springsMap(board: Board, { measures }: Known): Omit<DrawnMap, 'title'> {
  const wide = wideKeys(board.keys).map(({ id }) => id);
  const of = (what: Measure) =>
    Object.fromEntries(
      measures.flatMap((one) => (one.what === what && one.value !== null ? [[one.key, one.value]] : [])),
    ) as Record<string, number>;
  const whats = ['spring force', 'spring length'] as const;
  const values = Object.fromEntries(whats.map((what) => [what, of(what)])) as Record<
    (typeof whats)[number],
    Record<string, number>
  >;
  const off = new Set(whats.flatMap((what) => partsOff(values[what])?.off.map(({ key }) => key) ?? []));
  const mixed = whats.flatMap((what) => mixedSprings(board.keys, values[what]));
  const under = (id: string) =>
    whats.flatMap((what) => (id in values[what] ? [`${values[what][id]} ${MEASURE[what].unit}`] : [])).join(', ');
  return {
    keys: Object.fromEntries(
      board.keys.flatMap(({ id }): [string, OnPaper][] => {
        const isWide = wide.includes(id);
        if (!isWide && under(id) === '' && !off.has(id)) return [];
        const tone = off.has(id) && !isWide ? 'dark' : isWide ? 'amber' : 'plain';
        return [[id, { tone, sign: isWide ? '‖' : off.has(id) ? '×' : '', under: under(id) }]];
      }),
    ),
    lines: [],
    stems: {},
    words: [
      ...listed(
        'Wide (‖): look whether the spring is its own, stiffer and often of another colour; apart and labelled',
        wide,
      ),
      ...listed(
        'Measures otherwise than the rest (×)',
        [...off].filter((key) => !wide.includes(key)),
      ),
      ...mixed.map(
        ({ stiffUnder, belongsUnder }) =>
          `The stiff spring under ${stiffUnder} looks like that of ${belongsUnder}: the two may be mixed up.`,
      ),
    ],
  };
}

const OF_MAP: Record<KeyMap, (board: Board, known: Known) => Omit<DrawnMap, 'title'>> = {
  lines: linesMap,
  caps: capsMap,
  springs: springsMap,
};

/** A keyboard as one of its maps. */
export const drawnMap = (map: KeyMap, board: Board, known: Known): DrawnMap => ({
  title: MAP_TITLES[map],
  ...OF_MAP[map](board, known),
});
