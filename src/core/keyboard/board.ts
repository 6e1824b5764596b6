import { Refusal } from '../refusal';

export const LINE_KINDS = ['row', 'column'] as const;
type LineKind = (typeof LINE_KINDS)[number];

/** A key closes one row line onto one column line. */
export interface MatrixKey {
  id: string;
  row: string;
  column: string;
}

/** A track from the connector along its keys. */
export interface Line {
  id: string;
  kind: LineKind;
  /** Keys in the order in which the line meets them on its way from the connector. */
  route: readonly string[];
  /** Keys after which the line runs over a fold; `connector` where it does before its first key. */
  foldAfter: readonly string[];
}

export interface Matrix {
  keys: readonly MatrixKey[];
  lines: readonly Line[];
}

/** Where every line begins. */
export const CONNECTOR = 'connector';

/** A place of a line: the connector or one of its keys. */
export type Point = string;

/**
 * A matrix with its places by number: what the sums work on.
 *
 * Segments of a line are counted from 1, the one from the connector to its first key; a key is beyond as many segments as
 * its place on the route.
 */
export interface Wiring {
  lines: readonly Line[];
  keys: readonly { id: string; row: Place; column: Place }[];
}

/** A line by its number, and how many segments lie before the key on it. */
interface Place {
  line: number;
  at: number;
}

const MOST_KEYS = 400;

/**
 * A matrix by numbers.
 *
 * @throws Refusal with the path of what does not fit together
 */
export function wiringOf({ keys, lines }: Matrix): Wiring {
  if (keys.length === 0) throw new Refusal('keys', 'A board needs at least one key.');
  if (keys.length > MOST_KEYS)
    throw new Refusal('keys', `${keys.length} keys are more than any board has. Give at most ${MOST_KEYS}.`);
  twice(
    keys.map(({ id }) => id),
    'keys',
    'key',
  );
  twice(
    lines.map(({ id }) => id),
    'lines',
    'line',
  );
  const known = new Map(keys.map((key) => [key.id, key]));
  const places = new Map<string, Place>();
  lines.forEach(({ id, kind, route, foldAfter }, line) => {
    twice(route, `lines[${line}].route`, 'key');
    route.forEach((key, i) => {
      const field = `lines[${line}].route[${i}]`;
      const meant = known.get(key);
      if (!meant) throw new Refusal(field, `Line “${id}” runs through “${key}”, and there is no such key.`);
      if (meant[kind] !== id)
        throw new Refusal(
          field,
          `Line “${id}” runs through “${key}”, whose ${kind} is “${meant[kind]}”. A key lies on one ${kind} only: change the one or the other.`,
        );
      places.set(`${kind} ${key}`, { line, at: i + 1 });
    });
    foldAfter.forEach((key, i) => {
      if (key !== CONNECTOR && !route.includes(key))
        throw new Refusal(
          `lines[${line}].foldAfter[${i}]`,
          `Line “${id}” is said to fold after “${key}”, which is not on it. Name one of its keys, or “${CONNECTOR}”.`,
        );
    });
  });
  const placeOf = (key: MatrixKey, index: number, kind: LineKind): Place => {
    const place = places.get(`${kind} ${key.id}`);
    if (place) return place;
    const line = lines.find(({ id }) => id === key[kind]);
    throw new Refusal(
      `keys[${index}].${kind}`,
      !line
        ? `Key “${key.id}” is on ${kind} “${key[kind]}”, and there is no such line.`
        : line.kind === kind
          ? `Key “${key.id}” is on ${kind} “${key[kind]}”, and that line’s route does not meet it. Put it into the route.`
          : `Key “${key.id}” has “${key[kind]}” as its ${kind}, and that line is a ${line.kind}.`,
    );
  };
  return {
    lines,
    keys: keys.map((key, i) => ({ id: key.id, row: placeOf(key, i, 'row'), column: placeOf(key, i, 'column') })),
  };
}

function twice(ids: readonly string[], field: string, what: string): void {
  const at = ids.findIndex((id, i) => ids.indexOf(id) < i);
  if (at >= 0)
    throw new Refusal(
      `${field}[${at}]`,
      `The ${what} “${ids[at]}” is there twice. Give each ${what} one name of its own.`,
    );
}

/** The ends of a segment, counted from 1. */
export const segmentOf = ({ route }: Line, segment: number): [Point, Point] => [
  segment === 1 ? CONNECTOR : route[segment - 2]!,
  route[segment - 1]!,
];

/** Segments before a point of a line; `null` where it is not on it. */
export function segmentsBefore({ route }: Line, point: Point): number | null {
  if (point === CONNECTOR) return 0;
  const at = route.indexOf(point);
  return at < 0 ? null : at + 1;
}
