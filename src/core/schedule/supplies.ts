/** What a task of the plan uses up. */
export interface Taken {
  /** When it is begun, ms. */
  at: number;
  /** A bottle of the stores; `null` where any that bears the word does. */
  stockId: string | null;
  /** What its name or kind holds, in lower case. */
  word: string;
  /** In the unit of its kind; `null` where it is used and nobody says how much. */
  amount: number | null;
  /** Where it is not on the shelf, nothing is missing. */
  owned?: boolean;
  task: string;
}

/** Something on the shelf. */
export interface OnShelf {
  id: string;
  name: string;
  kind: string;
  /** What is left of it; `null` where nobody knows. */
  left: number | null;
  /** Not less than this is wanted there; `null` where nobody said. */
  low: number | null;
  /** A whole one of it. */
  size: number | null;
  priceMinor: number | null;
  /** Days until a new one is here. */
  deliveryDays: number;
  /** It is past its age from then on, ms; `null` where it keeps. */
  oldFrom: number | null;
}

export interface RunsOut {
  /** Of the shelf; `null` for what is not there at all. */
  id: string | null;
  name: string;
  /** What the plans take of it, and how often without an amount. */
  planned: number;
  uses: number;
  left: number | null;
  /** When the first task finds too little of it, ms; `null` where it lasts. */
  at: number | null;
  task: string | null;
  /** When it is under what is wanted there, ms; `null` where it never is. */
  lowAt: number | null;
  /** Order it by then, ms; `null` where nothing runs out. */
  orderBy: number | null;
  /** How many whole ones are wanted, and what they cost. */
  buy: number;
  costMinor: number | null;
  isOld: boolean;
}

const DAY_MS = 86_400_000;
/** Where nobody said how long a source takes. */
export const USUAL_DELIVERY_DAYS = 7;

const holds = ({ name, kind }: OnShelf, word: string): boolean =>
  name.toLowerCase().includes(word) || kind.toLowerCase().includes(word);

/**
 * What plans use against what is there, by date: what runs out on which day, and when to order it at the latest.
 *
 * @param now ms
 */
export function runsOut(shelf: readonly OnShelf[], taken: readonly Taken[], now: number): RunsOut[] {
  const inOrder = [...taken].sort((a, b) => a.at - b.at);
  const left = new Map(shelf.map((item) => [item.id, item.left]));
  const of = new Map<string, Taken[]>();
  const missing = new Map<string, Taken[]>();
  for (const use of inOrder) {
    const may = shelf.filter((item) => (use.stockId === null ? holds(item, use.word) : item.id === use.stockId));
    // The one that still has enough, else the first: that is the one that runs out.
    const from = may.find(({ id }) => (left.get(id) ?? Infinity) >= (use.amount ?? 1e-9)) ?? may[0];
    if (!from) {
      if (!use.owned) missing.set(use.word, [...(missing.get(use.word) ?? []), use]);
      continue;
    }
    of.set(from.id, [...(of.get(from.id) ?? []), use]);
    const had = left.get(from.id);
    if (had !== null && had !== undefined) left.set(from.id, had - (use.amount ?? 0));
  }
  return [
    ...[...missing].map(([word, uses]): RunsOut => {
      const first = uses[0]!;
      return {
        ...{ id: null, name: word, planned: sum(uses), uses: uses.length, left: 0, at: first.at, task: first.task },
        ...{ lowAt: null, orderBy: Math.max(now, first.at - USUAL_DELIVERY_DAYS * DAY_MS), buy: 1, costMinor: null },
        isOld: false,
      };
    }),
    ...shelf.map((item) => fate(item, of.get(item.id) ?? [], now)),
  ];
}

const sum = (uses: readonly Taken[]): number => uses.reduce((all, { amount }) => all + (amount ?? 0), 0);

function fate(item: OnShelf, uses: readonly Taken[], now: number): RunsOut {
  const { id, name, left, low, size, priceMinor, deliveryDays, oldFrom } = item;
  let [there, at, lowAt] = [left, null as number | null, null as number | null];
  let task: string | null = null;
  if (there !== null && low !== null && there < low) lowAt = now;
  for (const use of uses) {
    if (there === null) break;
    there -= use.amount ?? 0;
    if (at === null && (there < -1e-9 || (use.amount === null && there <= 0))) [at, task] = [use.at, use.task];
    if (lowAt === null && low !== null && there < low) lowAt = use.at;
  }
  const wanted = at ?? lowAt;
  const short = there === null ? 0 : Math.max(at === null ? 0 : 1e-9, (low ?? 0) - there, -there);
  const buy = wanted === null ? 0 : Math.max(1, size ? Math.ceil(short / size - 1e-9) : 1);
  return {
    ...{ id, name, planned: sum(uses), uses: uses.length, left, at, task, lowAt, buy },
    orderBy: wanted === null ? null : Math.max(now, wanted - deliveryDays * DAY_MS),
    costMinor: buy > 0 && priceMinor !== null ? buy * priceMinor : null,
    isOld: oldFrom !== null && oldFrom <= now,
  };
}
