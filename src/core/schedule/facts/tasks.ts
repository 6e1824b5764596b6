import { assumed } from '../../assumptions/assumptions';
import type { Stage } from '../../runsheet/stages';
import { HANDS, loose, type BenchProblem, type BenchTask } from '../bench';
import { quantile } from '../../numbers';
import { cut, FAR, type Interval, type Resource } from '../problem';
import {
  PLACES,
  type BenchFacts,
  type CoatFacts,
  type JobFacts,
  type MachineFacts,
  type OwnTaskFacts,
  type PieceFacts,
  type PlaceName,
  type SunDayFacts,
  type Takes,
  type YellowFacts,
} from './facts';

export type TaskKind =
  | 'photograph'
  | 'tag'
  | 'power'
  | 'teardown'
  | 'soak'
  | 'brush'
  | 'dry'
  | 'wash'
  | 'measure'
  | 'set up'
  | 'expose'
  | 'wash off'
  | 'test keys'
  | 'mend'
  | 'cure'
  | 'rust'
  | 'coat'
  | 'stage'
  | 'rebuild'
  | 'test'
  | 'test again'
  | 'record'
  | 'answer'
  | 'order'
  | 'parcel'
  | 'look'
  | 'own';

/** What a task is, for whoever words it or leads to it. */
export interface TaskAbout {
  kind: TaskKind;
  machine: string | null;
  pieceId: string | null;
  /** What people called it: a finding, a part, a parcel; empty where its kind says all. */
  name: string;
  /** The stage that it belongs to. */
  stage: Stage | null;
  /** Which session it is of, and of how many. */
  session: { number: number; of: number } | null;
  /** Hands are at it all the time. */
  hands: boolean;
  place: PlaceName | null;
  peroxide: boolean;
  /** What it uses up. */
  takes: readonly Takes[];
}

export interface ToldTask extends BenchTask {
  about: TaskAbout;
}

/** More at once than anybody has: what only keeps others away is never full itself. */
const MANY = 1000;
const HOUR = 60;
const DAY = 1440;
/** It is washed off within this, or the cream dries on. */
const WASH_OFF_WITHIN = 30;
/** Rows of sessions on a piece that are planned at most; after each it is measured, and planned anew. */
const MOST_SESSIONS = 4;

/** What a session counts with: the light of a minute on the middle one of the coming days, and a length that most of them have. */
function usualSun(sun: readonly SunDayFacts[]): { perMin: number; lengthMin: number } | null {
  if (sun.length === 0) return null;
  const of = (value: (day: SunDayFacts) => number, share: number) => quantile(sun.map(value), share)!;
  return {
    perMin: of(({ from, to, dose }) => dose / (to - from), 0.5),
    lengthMin: Math.floor(of(({ from, to }) => to - from, 0.3)),
  };
}

/** Sessions of a piece: how many, how long, and when each may lie. `null` where no coming day gives enough. */
export function sessionsFor(
  yellow: YellowFacts,
  sun: readonly SunDayFacts[],
): { count: number; minutes: number; windows: readonly Interval[] | null; liked: readonly Interval[] | null } | null {
  const { driver, toGo, transmission, longestMin, perHour } = yellow;
  if (driver !== 'sun') {
    if (perHour <= 0) return null;
    const minutes = (HOUR * toGo.median) / perHour;
    const count = Math.min(MOST_SESSIONS, Math.max(1, Math.ceil(minutes / longestMin)));
    return { count, minutes: Math.max(HOUR, Math.round(minutes / count)), windows: null, liked: null };
  }
  const usual = usualSun(sun);
  if (!usual) return null;
  const most = Math.min(longestMin, usual.lengthMin);
  const perMin = usual.perMin * transmission;
  const count = Math.min(MOST_SESSIONS, Math.max(1, Math.ceil(toGo.median / (perMin * most) - 1e-9)));
  const minutes = Math.max(HOUR, Math.min(most, Math.round(toGo.median / count / perMin)));
  const share = perMin * minutes;
  const fits = sun.filter(
    ({ from, to, dose }) =>
      to - from >= minutes && ((dose * transmission) / (to - from)) * minutes >= assumed('enough of the sun') * share,
  );
  const full = fits.filter(({ from, to, dose }) => ((dose * transmission) / (to - from)) * minutes >= share);
  const of = (days: readonly SunDayFacts[]) => days.map(({ from, to }): Interval => [from, to]);
  return fits.length === 0 ? null : { count, minutes, windows: of(fits), liked: of(full.length > 0 ? full : fits) };
}

/** All tasks of the bench out of what is known, with the hours of all that they need. */
export function tasksOf(facts: BenchFacts): { problem: BenchProblem; tasks: readonly ToldTask[] } {
  const people = facts.people.map(({ id }) => `${HANDS}${id}`);
  const all = [
    ...facts.machines.flatMap((machine) => new OfMachine(machine, facts, people).all()),
    ...facts.own.map((own) => ownTask(own, people)),
  ];
  const tasks = asMarked(all, facts, people);
  return {
    tasks,
    problem: {
      resources: resourcesOf(facts),
      tasks,
      wishes: facts.machines.flatMap(({ id, wish }) => (wish ? [{ machine: id, ...wish }] : [])),
      before: facts.before,
    },
  };
}

function resourcesOf({ people, things, running }: BenchFacts): Resource[] {
  const taken = (place: PlaceName) =>
    running
      .filter((one) => one.place === place && one.until > 0)
      .map(({ until }): [number, number, number] => [0, until, 1]);
  const place = (id: PlaceName, capacity: number): Resource => ({ id, capacity, taken: taken(id) });
  const open = running.filter(({ peroxide, until }) => peroxide && until > 0);
  return [
    ...people.map(({ id, available }): Resource => ({ id: `${HANDS}${id}`, capacity: 1, available })),
    ...PLACES.map((name) => place(name, things[name])),
    { id: 'acid', capacity: MANY },
    { id: 'peroxide', capacity: MANY, taken: open.map(({ until }): [number, number, number] => [0, until, 1]) },
  ];
}

/** What somebody said of tasks: dropped, done, longer, put off, pinned, given to somebody. What waits for a task that is gone waits no more. */
function asMarked(
  tasks: readonly ToldTask[],
  { marks, done }: Pick<BenchFacts, 'marks' | 'done'>,
  people: readonly string[],
): ToldTask[] {
  const isDone = new Set(done);
  const gone = new Set(tasks.filter(({ id }) => isDone.has(id) || marks[id]?.dropped).map(({ id }) => id));
  const byId = new Map(tasks.map((task) => [task.id, task]));
  // Whoever waited for what is gone waits for what that waited for, if it still was to come.
  const behind = (after: BenchTask['after'], depth = 0): BenchTask['after'] =>
    after.flatMap((lag) => {
      if (!gone.has(lag.task)) return byId.has(lag.task) ? [lag] : [];
      return isDone.has(lag.task) || depth > 60 ? [] : behind(byId.get(lag.task)!.after, depth + 1);
    });
  return tasks
    .filter(({ id }) => !gone.has(id))
    .map((one): ToldTask => {
      const { notBefore = 0, minutes, personId, soon, ...mark } = marks[one.id] ?? {};
      // What somebody put off is not held where it was to be.
      const task = one.at !== undefined && notBefore > one.at ? loose(one) : one;
      const windows = notBefore > 0 ? cut(task.windows, notBefore) : task.windows;
      // What is about to begin is not held against its sun, nor where somebody has just put it off.
      const at = mark.at ?? (soon !== undefined && lies(soon, minutes ?? task.duration, windows) ? soon : undefined);
      const own = personId === undefined ? undefined : `${HANDS}${personId}`;
      return {
        ...task,
        after: behind(task.after),
        ...(minutes !== undefined && { duration: minutes }),
        ...(at !== undefined && at >= 0 && { at }),
        ...(windows && { windows }),
        ...(own !== undefined && people.includes(own) && (task.anyOf?.length ?? 0) > 0 && { anyOf: [own] }),
      };
    });
}

/** Whether so many minutes from a moment on lie in one of some windows; without any they always do. */
const lies = (at: number, minutes: number, windows: readonly Interval[] | undefined): boolean =>
  !windows || windows.some(([a, b]) => a <= at && at + minutes <= b);

function ownTask(
  { id, machine, what, minutes, hands, place, after }: OwnTaskFacts,
  people: readonly string[],
): ToldTask {
  return {
    ...{ id: `own:${id}`, machine, duration: minutes, spread: assumed('spread of hands work'), again: 0 },
    uses: place ? { [place]: 1 } : {},
    ...(hands && { anyOf: people }),
    after: after === null ? [] : [{ task: after, minLag: 0 }],
    about: {
      ...{ kind: 'own', machine, pieceId: null, name: what, stage: null, session: null, peroxide: false, takes: [] },
      ...{ hands, place },
    },
  };
}

type Given = Partial<Omit<ToldTask, 'about' | 'id' | 'machine'>> & {
  duration: number;
  subject?: string;
  name?: string;
  pieceId?: string | null;
  session?: TaskAbout['session'];
  hands?: boolean;
  place?: PlaceName;
  stage?: Stage;
  peroxide?: boolean;
  takes?: readonly Takes[];
  acid?: boolean;
  /** It is done then, whether or not the hours say that somebody is there. */
  anyHour?: boolean;
};

/** Windows with one more, that is liked as well. */
const withWindow = ({ windows, liked }: Record<'windows' | 'liked', readonly Interval[]>, own: Interval) => ({
  windows: [...windows, own],
  liked: [...liked, own],
});

/** Tasks of one machine, in the order of the work. */
class OfMachine {
  private readonly tasks: ToldTask[] = [];
  private readonly hands: number;
  /** When somebody is there at all. */
  private readonly attended: readonly Interval[];

  constructor(
    private readonly machine: MachineFacts,
    private readonly facts: BenchFacts,
    private readonly people: readonly string[],
  ) {
    this.hands = assumed('spread of hands work');
    this.attended = facts.people.flatMap(({ available }) => available);
  }

  private isOpen(stage: Stage): boolean {
    return this.machine.open.includes(stage);
  }

  /** Adds a task; where it waits for something, only for what is planned. */
  private add(kind: TaskKind, given: Given): string {
    const { subject = '', name = '', pieceId = null, session = null, hands = false, place, stage = null } = given;
    const {
      peroxide = false,
      acid = false,
      anyHour = false,
      takes = [],
      duration,
      uses = {},
      after = [],
      spread,
      again = 0,
      ...more
    } = given;
    const id = [this.machine.id, kind, subject, session?.number ?? ''].filter((part) => part !== '').join(':');
    this.tasks.push({
      // Whether the yellow came back is looked at long after a machine is ready.
      ...{ id, machine: kind === 'look' ? null : this.machine.id, duration: Math.max(0, Math.round(duration)), again },
      spread: spread ?? (hands ? this.hands : 0.1),
      uses: {
        ...uses,
        ...(place && { [place]: 1 }),
        ...(peroxide && { peroxide: 1 }),
        ...(acid && { acid: 1 }),
      },
      ...(hands && !anyHour && { anyOf: this.people }),
      ...((acid || peroxide) && { apartFrom: [acid ? 'peroxide' : 'acid'] }),
      after: after.filter(({ task }) => this.tasks.some((one) => one.id === task)),
      ...(more.windows && { windows: more.windows }),
      ...(more.liked && { liked: more.liked }),
      ...(more.at !== undefined && { at: more.at }),
      ...(more.elsewhere && { elsewhere: more.elsewhere }),
      about: {
        kind,
        machine: this.machine.id,
        pieceId,
        name,
        stage,
        session,
        hands,
        place: place ?? null,
        peroxide,
        takes,
      },
    });
    return id;
  }

  private follow = (ids: readonly string[], minLag = 0): BenchTask['after'] => ids.map((task) => ({ task, minLag }));

  /** Tasks so far that belong to some stages: all, those of the machine as a whole (`null`), or those and a piece’s. */
  private of(stages: readonly Stage[], pieceId?: string | null): string[] {
    return this.tasks
      .filter(
        ({ about }) =>
          about.stage !== null &&
          stages.includes(about.stage) &&
          (pieceId === undefined || about.pieceId === null || about.pieceId === pieceId),
      )
      .map(({ id }) => id);
  }

  /** Answers and parcels that a job waits for. */
  private held(stage: Stage, pieceId: string | null, orderId: string | null = null): string[] {
    const asked = this.machine.requests
      .filter((one) => one.stage === stage && (one.pieceId === null || one.pieceId === pieceId))
      .map(({ id }) => `${this.machine.id}:answer:${id}`);
    return orderId === null ? asked : [...asked, `${this.machine.id}:parcel:${orderId}`];
  }

  all(): readonly ToldTask[] {
    this.waits();
    if (this.isOpen('intake')) this.intake();
    if (this.isOpen('teardown')) this.teardown();
    if (this.isOpen('wash')) this.wash();
    if (this.isOpen('brighten')) for (const piece of this.machine.pieces) this.brighten(piece);
    if (this.isOpen('keys')) this.keys();
    if (this.isOpen('mend')) this.jobs('mend', 'mend', this.machine.mends);
    if (this.isOpen('finish')) this.finish();
    this.rebuild();
    for (const { id, pieceId, due } of this.machine.looks)
      this.add('look', {
        ...{ subject: id, pieceId, duration: assumed('measuring a piece'), hands: true },
        windows: [[Math.max(0, due), FAR]],
      });
    return this.tasks;
  }

  private waits(): void {
    const { requests, orders } = this.machine;
    for (const { id, what, pieceId, asked } of requests)
      this.add('answer', {
        ...{ subject: id, name: what, pieceId, spread: assumed('spread of answers') },
        // Who has waited long already waits longer still.
        duration: Math.max(DAY * assumed('an owner answers'), -asked / 2),
      });
    for (const { id, what, due, spread } of orders) {
      const usual = DAY * assumed('a parcel takes');
      const order = due === null ? [this.add('order', { subject: id, name: what, duration: 10, hands: true })] : [];
      // What is late already is not here tomorrow for being late.
      const wait = due === null ? usual : due > 0 ? due : Math.max(DAY, -due / 2);
      this.add('parcel', { subject: id, name: what, duration: wait, spread, after: this.follow(order) });
    }
  }

  private intake(): void {
    const { photographed, pieces, powerDecided } = this.machine;
    const stage = 'intake';
    if (!photographed) this.add('photograph', { duration: assumed('photographing a machine'), hands: true, stage });
    if (pieces.every(({ guessed }) => guessed))
      this.add('tag', {
        duration: assumed('tagging its pieces'),
        hands: true,
        stage,
        after: this.follow(this.of([stage])),
      });
    if (!powerDecided) this.add('power', { duration: 10, hands: true, stage, after: this.follow(this.of([stage])) });
    if (this.of([stage]).length === 0) this.plain(stage);
  }

  /** A stage that is open and of which nothing more is known. */
  private plain(stage: Stage, after: readonly string[] = []): void {
    this.add('stage', {
      ...{ subject: stage, duration: assumed('a stage nobody knows of'), hands: true, stage },
      after: this.follow([...after, ...this.held(stage, null)]),
    });
  }

  private teardown(): void {
    const { toTakeOut } = this.machine;
    this.add('teardown', {
      duration: toTakeOut > 0 ? Math.max(15, toTakeOut * assumed('a step out')) : assumed('taking a machine apart'),
      ...{ hands: true, stage: 'teardown' },
      after: this.follow([...this.of(['intake']), ...this.held('teardown', null)]),
    });
  }

  private wash(): void {
    const stage = 'wash';
    const { pieces, spots } = this.machine;
    const apart = [...this.of(['intake', 'teardown']), ...this.held(stage, null)];
    const dirty = pieces.filter(({ brushMin, plastic }) => plastic && brushMin !== null);
    if (dirty.length > 0) {
      const soak = this.add('soak', {
        ...{ duration: 15, place: 'tub', stage, after: this.follow(apart) },
        // Somebody has to put them in.
        windows: this.attended,
      });
      const brush = this.add('brush', {
        ...{ duration: dirty.reduce((sum, { brushMin }) => sum + brushMin!, 0), hands: true, place: 'sink', stage },
        after: [{ task: soak, minLag: 0, maxLag: 4 * HOUR }],
      });
      this.add('dry', { duration: DAY * 0.75, place: 'rack', stage, spread: 0.2, after: this.follow([brush]) });
    }
    for (const spot of spots) {
      const { id, name, pieceId, handsMin, waitMin, acid, notBefore, takes } = spot;
      const before = [...this.of([stage], pieceId).filter((task) => !task.includes(':wash:')), ...apart];
      const wash = this.add('wash', {
        ...{ subject: id, name, pieceId, duration: handsMin, hands: true, place: 'sink', stage, acid, takes },
        ...{ again: assumed('a pass that has to be done again'), after: this.follow(before) },
        ...this.from(Math.max(notBefore, this.busy(pieceId))),
      });
      if (waitMin > 0)
        this.add('dry', {
          ...{ subject: id, name, pieceId, duration: waitMin, place: 'rack', stage, spread: 0.3, acid },
          after: this.follow([wash]),
        });
    }
    if (this.of([stage]).length === 0) this.plain(stage, apart);
  }

  private busy(pieceId: string | null): number {
    return this.machine.pieces.find(({ id }) => id === pieceId)?.busyUntil ?? 0;
  }

  private from = (minute: number): { windows?: readonly Interval[] } =>
    minute > 0 ? { windows: [[Math.ceil(minute), FAR]] } : {};

  private brighten(piece: PieceFacts): void {
    const stage = 'brighten';
    const pieceId = piece.guessed ? null : piece.id;
    const { yellow, unmeasured, measureAgain, busyUntil, exposedUntil, sessionsDone } = piece;
    const subject = `${piece.id}.${sessionsDone}`;
    const before = [...this.of(['intake', 'teardown', 'wash'], pieceId), ...this.held(stage, pieceId)];
    const own = { pieceId, stage, hands: true } as const;
    let last = before;
    const measure = (after: readonly string[], session: TaskAbout['session'] = null) => [
      this.add('measure', {
        ...{ ...own, subject, session, duration: assumed('measuring a piece'), after: this.follow(after) },
        ...this.from(busyUntil),
      }),
    ];
    if (exposedUntil !== null) {
      const off = this.add('wash off', {
        ...{ ...own, subject, duration: assumed('washing off'), place: 'sink', peroxide: true },
        ...this.from(exposedUntil),
      });
      const dry = this.add('dry', {
        ...{ subject, pieceId, stage, duration: DAY * 0.75, place: 'rack', spread: 0.2, after: this.follow([off]) },
      });
      last = measure([dry]);
    } else if (unmeasured || measureAgain) last = measure(last);
    const sessions = yellow && sessionsFor(yellow, this.facts.sun);
    if (!yellow || !sessions) {
      // It is to be brightened, and no coming day and no lamp does it: that has to be decided.
      if (yellow) this.add('stage', { ...own, subject: `${stage}.${subject}`, duration: 10, after: this.follow(last) });
      return;
    }
    const { count, minutes, windows, liked } = sessions;
    for (let number = 1; number <= count; number++) {
      const session = { number, of: count };
      const plan = number === 1 ? yellow.planned : null;
      const byHands = { anyOf: this.people };
      // Where it cannot be at its hour it goes into the sun like any other.
      const inSun = plan && windows && liked && withWindow({ windows, liked }, [plan.start, plan.end]);
      const setUp = this.add('set up', {
        ...{ ...own, subject, session, duration: yellow.setUpMin, peroxide: true, after: this.follow(last) },
        ...(yellow.takes && { takes: [yellow.takes] }),
        // Whoever planned a session is there for it, whatever the hours say.
        ...(plan
          ? { at: Math.max(0, plan.start - yellow.setUpMin), anyHour: true, elsewhere: byHands }
          : this.from(busyUntil)),
      });
      const place = yellow.driver === 'sun' ? 'sun' : yellow.driver === 'lamp' ? 'lamp' : 'box';
      const expose = this.add('expose', {
        ...{ subject, pieceId, stage, session, place, peroxide: true, spread: 0 },
        ...{ duration: plan ? plan.end - plan.start : minutes },
        ...(number === count && { again: assumed('a session more than foretold') }),
        ...(windows && liked && !plan && { windows, liked }),
        ...(plan && plan.start >= 0 && { at: plan.start }),
        ...(plan && { elsewhere: inSun ?? {} }),
        after: [{ task: setUp, minLag: 0, maxLag: 90 }],
      });
      const off = this.add('wash off', {
        ...{ ...own, subject, session, duration: assumed('washing off'), place: 'sink', peroxide: true },
        ...(plan !== null && { anyHour: true, elsewhere: byHands }),
        after: [{ task: expose, minLag: 0, maxLag: yellow.driver === 'sun' ? WASH_OFF_WITHIN * 4 : 12 * HOUR }],
      });
      const dry = this.add('dry', {
        ...{ subject, pieceId, stage, session, duration: DAY * 0.75, place: 'rack', spread: 0.2 },
        after: this.follow([off]),
      });
      last = measure([dry], session);
    }
  }

  private keys(): void {
    const stage = 'keys';
    const after = [...this.of(['intake', 'teardown']), ...this.held(stage, null)];
    for (const { id, name, keys } of this.machine.boards)
      this.add('test keys', {
        ...{ subject: id, name, duration: 5 + keys * assumed('pressing a key'), hands: true, place: 'meter', stage },
        after: this.follow(after),
      });
    if (this.of([stage]).length === 0) this.plain(stage, after);
  }

  private jobs(kind: 'mend' | 'rust', stage: Stage, jobs: readonly JobFacts[]): void {
    for (const { id, name, pieceId, handsMin, waitMin, acid, notBefore, orderId, takes } of jobs) {
      const before = [
        ...this.of(
          ['intake', 'teardown', 'wash', 'brighten', ...(stage === 'finish' ? (['mend'] as const) : [])],
          pieceId,
        ),
        ...this.held(stage, pieceId, orderId),
      ];
      const own = this.add(kind, {
        ...{ subject: id, name, pieceId, duration: handsMin, hands: true, stage, acid, takes },
        ...{ again: assumed('a repair that has to be done again'), after: this.follow(before) },
        ...this.from(Math.max(notBefore, this.busy(pieceId))),
      });
      if (waitMin > 0)
        this.add('cure', {
          ...{ subject: id, name, pieceId, duration: waitMin, place: acid ? 'tub' : 'clamp', stage, acid, spread: 0.2 },
          after: [{ task: own, minLag: 0, maxLag: 0 }],
        });
    }
    if (this.of([stage]).length === 0) this.plain(stage, this.of(['intake', 'teardown']));
  }

  private finish(): void {
    const stage = 'finish';
    const { rusts, coats } = this.machine;
    if (rusts.length > 0 || coats.length === 0) this.jobs('rust', stage, rusts);
    const lastOf = new Map<string, string>();
    for (const coat of coats) lastOf.set(coat.jobId, this.coat(coat, lastOf.get(coat.jobId) ?? null));
  }

  private coat(
    { id, name, pieceId, minLag, maxLag, underLaid, windows, takes }: CoatFacts,
    under: string | null,
  ): string {
    const before =
      under === null
        ? this.follow([
            ...this.tasks
              .filter(({ about }) => about.stage === 'finish' && about.kind !== 'coat' && about.pieceId === pieceId)
              .map(({ id: task }) => task),
            ...this.of(['intake', 'teardown', 'wash', 'brighten', 'mend'], pieceId),
            ...this.held('finish', pieceId),
          ])
        : [{ task: under, minLag, ...(maxLag !== null && { maxLag }) }];
    const soonest = underLaid === null ? 0 : underLaid + minLag;
    return this.add('coat', {
      ...{ subject: id, name, pieceId, duration: assumed('laying a coat'), hands: true, stage: 'finish' },
      takes: [takes],
      after: before,
      ...(windows
        ? { windows: soonest > 0 ? cut(windows, soonest) : windows }
        : this.from(Math.max(soonest, this.busy(pieceId)))),
    });
  }

  private rebuild(): void {
    const { toPutBack } = this.machine;
    const before = [
      ...this.of(['intake', 'teardown', 'wash', 'brighten', 'keys', 'mend', 'finish']),
      ...this.held('rebuild', null),
      // What is not answered or not here yet may still be wanted inside.
      ...this.tasks.filter(({ about }) => about.kind === 'answer' || about.kind === 'parcel').map(({ id }) => id),
    ];
    let last = before;
    if (this.isOpen('rebuild')) {
      const stage = 'rebuild';
      const back = this.add('rebuild', {
        duration:
          toPutBack > 0 ? Math.max(20, toPutBack * assumed('a step back')) : assumed('putting a machine together'),
        ...{ hands: true, stage, after: this.follow(before) },
      });
      const test = this.add('test', {
        ...{ duration: assumed('a function test'), hands: true, place: 'meter', stage },
        ...{ again: assumed('a test that fails'), after: this.follow([back]) },
      });
      // Tested that day and dead the next happens.
      last = [this.add('test again', { duration: 10, hands: true, stage, after: this.follow([test], 0.75 * DAY) })];
    }
    if (this.isOpen('record'))
      this.add('record', {
        ...{ duration: assumed('writing the record'), hands: true, stage: 'record' },
        after: this.follow([...last, ...this.held('record', null)]),
      });
  }
}
