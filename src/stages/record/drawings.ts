import { drawnMap } from '@/core/keyboard/drawing/maps';
import { boardSvg } from '@/core/keyboard/drawing/svg';
import { OBSERVED } from '@/core/keyboard/evidence';
import { partSvg } from '@/core/mending/part/drawing';
import { partPicture } from '@/core/mending/part/picture';
import type { Bundle } from '@/data/bundle';

/** Something that is drawn in a record, with what it shows in words. */
interface Drawing {
  /** A name for its file. */
  key: string;
  caption: string;
  svg: string;
  /** As wide as it is on paper, mm. */
  widthMm: number;
}

interface Drawings {
  /** The name of a keyboard or a part. */
  of: string;
  drawings: Drawing[];
}

/** In a record a keyboard is at most so wide, mm: two stand below one another on a page. */
const BOARD_MM = 165;
const PART_MM = 60;

/** Keyboards as their keys were at the first test and at the last one. */
function keyDrawings(
  { keyboards, keyTests, keysSeen }: Bundle,
  time: (iso: string) => string,
  font?: string,
): Drawings[] {
  return keyboards.flatMap((board, b): Drawings[] => {
    const tests = keyTests
      .filter(({ keyboardId }) => keyboardId === board.id)
      .map((test) => ({ ...test, keys: keysSeen.filter(({ testId }) => testId === test.id) }))
      .filter(({ keys }) => keys.length > 0)
      .sort((x, y) => x.at.localeCompare(y.at));
    const shown = tests.length > 1 ? [tests[0]!, tests[tests.length - 1]!] : tests;
    if (shown.length === 0) return [];
    return [
      {
        of: board.name,
        drawings: shown.map(({ at, keys }, i): Drawing => {
          const seen = Object.fromEntries(keys.map((one) => [one.key, one.seen]));
          const counts = OBSERVED.flatMap((state) => {
            const count = keys.filter((one) => one.seen === state).length;
            return count > 0 && state !== 'unknown' ? [`${count} ${COUNTED[state]}`] : [];
          });
          const left = board.keys.length - keys.filter((one) => one.seen !== 'unknown').length;
          const caption = `${shown.length > 1 ? ['Before', 'Last tested'][i] : 'Tested'}, ${time(at)}: ${[...counts, ...(left > 0 ? [`${left} not tried`] : [])].join(', ')}`;
          const map = drawnMap('lines', board, { seen, caps: [], measures: [] });
          return {
            key: `keys-${b + 1}-${i + 1}`,
            caption,
            svg: boardSvg(board, { ...map, title: caption, lines: [] }, font),
            widthMm: BOARD_MM,
          };
        }),
      },
    ];
  });
}

const COUNTED = { works: 'work', dead: 'dead', stuck: 'stay on' } as const;

/** Parts that were drawn for it, as one sees them and from above at their size. */
const partDrawings = ({ parts }: Bundle): Drawings[] =>
  parts.map(({ name, family, sizes }, p): Drawings => {
    const picture = partPicture(family, sizes, name);
    return {
      of: name,
      drawings: [
        ...(picture === null ? [] : [{ key: `part-${p + 1}`, caption: 'As drawn', svg: picture, widthMm: PART_MM }]),
        {
          key: `part-${p + 1}-above`,
          caption: 'From above, every edge',
          svg: partSvg(family, sizes, name),
          widthMm: PART_MM,
        },
      ],
    };
  });

/**
 * Everything that is drawn in a record: its keyboards, then its parts.
 *
 * @param font that names of keys are set in
 */
export const drawingsOf = (bundle: Bundle, time: (iso: string) => string, font?: string): Drawings[] => [
  ...keyDrawings(bundle, time, font),
  ...partDrawings(bundle),
];
