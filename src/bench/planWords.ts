import { noPlaceWords } from '@/core/schedule/noPlace';
import type { Cause, KeptPlan, Moved } from '@/core/schedule/kept';
import { showTime } from '@/core/runsheet/time';

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const dayOf = (day: string): string => showTime(`${day}T12:00:00.000Z`, 'UTC', 'EEEE d MMM');

const things = (count: number, one: string, many: string): string => (count === 1 ? `one ${one}` : `${count} ${many}`);

/** Below so many runs a date of 9 in 10 is off by more than one in twenty of its odds. */
const FEW_RUNS = 40;

/** How often the plan was played through for its days and odds. */
export function playedWords(runs: number | null): string {
  if (runs === null) return 'Played through many times';
  const times = runs === 1 ? 'once' : `${runs} times`;
  return runs < FEW_RUNS
    ? `Played through only ${times}, as there was no time for more, so that days and odds are rough`
    : `Played through ${times}`;
}

/** Why the plan changed, in a clause. */
function causeWords(cause: Cause, titles: ReadonlyMap<string, string>): string {
  switch (cause.kind) {
    case 'sky': {
      const days = cause.days.length > 3 ? `${cause.days.length} days` : list(cause.days.map(dayOf));
      return `the sky is ${cause.better ? 'better' : 'worse'} than it was foretold for ${days}`;
    }
    case 'parcel':
      return `“${cause.what}” comes ${cause.later ? 'later' : 'sooner'}`;
    case 'arrived':
      return `“${cause.what}” is here or not waited for any more`;
    case 'done':
      return `${things(cause.count, 'task is', 'tasks are')} over`;
    case 'more to do': {
      const title = cause.machine === null ? null : titles.get(cause.machine);
      return `there ${cause.count === 1 ? 'is one task' : `are ${cause.count} tasks`} more${title ? ` on ${title}` : ''}`;
    }
    case 'off the bench':
      return `${titles.get(cause.machine) ?? 'a machine'} is off the bench`;
    case 'late':
      return `${things(cause.count, 'task was', 'tasks were')} not begun in time`;
    case 'people':
      return cause.fewer ? 'there are fewer hands' : 'there are more hands';
    case 'said':
      return 'somebody changed what the plan goes by';
  }
}

/** So many causes and so many machines are told of; of the others how many there are. */
const TOLD = 3;

/** By how much the day of a machine moves, ms. */
const moveOf = ({ was, is }: Moved['ready'][number]) => Math.abs(Date.parse(is) - Date.parse(was));

/** What is told of a move: the first causes, and the machines whose day moves furthest. */
const toldOf = ({ causes, ready }: Moved) => ({
  causes: causes.slice(0, TOLD),
  ready: ready
    .map((one) => ({ ...one, by: moveOf(one) }))
    .sort((a, b) => b.by - a.by)
    .slice(0, TOLD),
});

/** The machines that a move names. */
export function machinesOf(moved: Moved): string[] {
  const { causes, ready } = toldOf(moved);
  return [
    ...ready.map(({ machine }) => machine),
    ...causes.flatMap((cause) => ('machine' in cause ? (cause.machine ?? []) : [])),
  ];
}

/** What moved and why, in one sentence that stays one: of many machines those are named whose day moves furthest. */
export function movedWords(moved: Moved, titles: ReadonlyMap<string, string>, timeZone: string): string {
  const { causes, tasks, ready } = moved;
  const told = toldOf(moved);
  const clauses = told.causes.map((cause) => causeWords(cause, titles));
  const others = causes.length - clauses.length;
  const why = list(others > 0 ? [...clauses, things(others, 'other thing changed', 'other things changed')] : clauses);
  const day = (iso: string) => showTime(iso, timeZone, 'EEE d MMM');
  const moves = tasks.length > 0 ? `${things(tasks.length, 'task moves', 'tasks move')}` : 'nothing else moves';
  const dates = told.ready.map(
    ({ machine, was, is }) => `${titles.get(machine) ?? 'a machine'} is ready ${day(is)} instead of ${day(was)}`,
  );
  const more = ready.length - dates.length;
  if (more > 0) dates.push(`${things(more, 'machine more is', 'machines more are')} ready on another day`);
  const first = why
    ? `${why.charAt(0).toUpperCase()}${why.slice(1)}: ${moves}`
    : `${moves.charAt(0).toUpperCase()}${moves.slice(1)}`;
  return `${[first, ...dates].join('; ')}.`;
}

/** Why a task is not in the plan, with what would let it in. */
export function noPlaceOf(
  id: string,
  why: KeptPlan['leftOut'][number]['why'],
  wordsOf: (id: string) => string,
): string {
  if (why.kind === 'waits') return `It waits for “${wordsOf(why.for)}”, which finds no moment.`;
  if (why.kind === 'falls') return `It is only done for “${wordsOf(why.with)}”, which finds no moment.`;
  return noPlaceWords(id, why, wordsOf);
}
