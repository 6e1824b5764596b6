import ICAL from 'ical.js';
import { workBench } from '@/core/schedule/benchWork';
import { firstListed, firstOfDays, inDay, lanesOf, rowsOf, shownHours } from './strip';
import { planCalendar } from '@/workers/planCalendar';
import { planPdf } from './sheetPdf';
import { everyTask, handsOf, noTask, shownDay, shownPlan, type ShownPlan, type ShownTask, type Wanted } from './plan';
import { beginTask, runsNow, taskNotDone } from '@/work/plan/said';
import { movedWords, noPlaceOf, playedWords } from './planWords';
import { planWithNames } from './plan.testing';
import { simulatedAir } from '@/simulators/weather/air';
import { simulatedSky } from '@/simulators/weather/sky';
import { airOver, skyOver } from '@/data/weather';
import { keepPlan, planThatStands } from '@/data/plans';
import { getWorkshop } from '@/data/workshop';
import { replan, wholeMinute } from '@/work/plan/replan';
import { inTrialWorkshop, trialPiece, trialRestoration } from '@/work/trial';
import type { Cause, KeptPlan } from '@/core/schedule/kept';
import { peopleFacts } from '@/work/plan/facts';
import { everyDay } from '@/core/runsheet/hours';

jest.mock('@/data/heavyPool', () => jest.requireActual<object>('@/data/heavyPool.testing'));
inTrialWorkshop();

const outside = {
  sky: skyOver((p, from, hours) => Promise.resolve(simulatedSky(p.latitude, p.longitude, from, hours))),
  air: airOver((p, from, hours) => Promise.resolve(simulatedAir(p.latitude, p.longitude, from, hours))),
};
const NOW = wholeMinute(new Date('2026-06-21T12:00:00Z'));

async function planned() {
  await trialRestoration();
  await trialPiece();
  await replan(NOW, outside, (work) => Promise.resolve(workBench({ ...work, maxIterations: 30, runs: 10 }, () => 0)));
  return (await shownPlan('Etc/GMT+2', everyTask))!;
}

describe('the plan as screens show it', () => {
  it('of thousands that find no place it names the first and counts the rest, and only where they are asked for', async () => {
    await planned();
    const { plan } = (await planThatStands())!;
    const [first] = plan.tasks;
    const leftOut = Array.from({ length: 25 }, (_, i) => ({
      ...{ id: `lost-${i}`, about: first!.about },
      why: { kind: 'waits' as const, for: i === 0 ? first!.id : 'nowhere' },
    }));
    await keepPlan({ ...plan, leftOut }, 0, NOW);
    expect(await shownPlan('Etc/GMT+2', everyTask)).toMatchObject({
      ...{ leftOut: [], moreLeftOut: 0, ready: [] },
    });
    const shown = (await shownPlan('Etc/GMT+2', noTask, { leftOut: () => true, ready: { count: 9 } }))!;
    expect([shown.leftOut.length, shown.moreLeftOut, shown.tasks.length]).toEqual([6, 19, 0]);
    expect(shown.leftOut[0]).toMatchObject({ words: 'Photograph every side', title: 'Trial machine', waiting: 0 });
    expect(shown.leftOut.slice(0, 2).map(({ why }) => why)).toEqual([
      'It waits for “Photograph every side”, which finds no moment.',
      'It waits for “something that is done”, which finds no moment.',
    ]);
    expect(shown.ready.map(({ title }) => title)).toEqual(['Trial machine', 'Trial machine']);
    expect(shown.runs).toBe(10);
  });

  it('what finds no moment only because of another is counted with that one', async () => {
    await planned();
    const { plan } = (await planThatStands())!;
    const { about } = plan.tasks[0]!;
    const lost = (id: string, why: KeptPlan['leftOut'][number]['why']) => ({ id, about, why });
    const leftOut = [
      lost('set up', { kind: 'falls', with: 'expose' }),
      lost('expose', { kind: 'taken' }),
      lost('wash', { kind: 'waits', for: 'expose' }),
      lost('dry', { kind: 'waits', for: 'wash' }),
      lost('alone', { kind: 'too late' }),
      // What waits for another machine stands where its own machine is looked at.
      { ...lost('of another', { kind: 'waits', for: 'alone' }), about: { ...about, machine: 'another' } },
      // A circle is nothing that a plan says, and must not hold a screen up.
      lost('round', { kind: 'waits', for: 'about' }),
      lost('about', { kind: 'waits', for: 'round' }),
    ];
    await keepPlan({ ...plan, leftOut, unpinned: ['alone'] }, 0, NOW);
    const shown = (await shownPlan('Etc/GMT+2', noTask, { leftOut: () => true }))!;
    expect(shown.leftOut.slice(0, 3).map(({ id, waiting }) => [id, waiting])).toEqual([
      ['expose', 3],
      ['alone', 0],
      ['of another', 0],
    ]);
    expect(shown.moreLeftOut).toBe(0);
    const ofAnother = { leftOut: ({ machine }: { machine: string | null }) => machine === 'another' };
    expect((await shownPlan('Etc/GMT+2', noTask, ofAnother))!.leftOut.map(({ id }) => id)).toEqual(['of another']);
    expect([shown.unpinned, shown.moreUnpinned]).toEqual([['Photograph every side, Trial machine'], 0]);
    const soon = (await planThatStands())!.plan;
    const many = Array.from({ length: 23 }, (_, i) => ({ ...plan.tasks[0]!, id: `pin ${i}` }));
    await keepPlan({ ...soon, tasks: many, unpinned: many.map(({ id }) => id) }, 0, NOW);
    const all = (await shownPlan('Etc/GMT+2', noTask, { leftOut: () => true }))!;
    expect([all.unpinned.length, all.moreUnpinned]).toEqual([6, 17]);
    expect(await shownPlan('Etc/GMT+2', noTask)).toMatchObject({ unpinned: [], moreUnpinned: 0 });
  });

  it('of hundreds in a day it gives the first, machine by machine and moment by moment, and says how many more there are', async () => {
    await planned();
    const { plan } = (await planThatStands())!;
    const [first] = plan.tasks;
    const at = (minute: number) => new Date(NOW.getTime() + minute * 60_000).toISOString();
    const tasks = Array.from({ length: 60 }, (_, i) => ({
      ...first!,
      ...{ id: `task-${i}`, from: at(i), to: at(i + 1), who: null },
      about: {
        ...first!.about,
        machine: `m${i % 12}`,
        hands: i % 3 !== 0,
        kind: i === 59 ? ('parcel' as const) : first!.about.kind,
      },
    }));
    await keepPlan({ ...plan, tasks }, 0, NOW);
    const days = [
      { start: at(0), end: at(1440) },
      { start: at(1440), end: at(2880) },
    ];
    const most = { machines: 2, tasks: 10 };
    const shown = (await shownPlan('Etc/GMT+2', (all) => firstOfDays(all, days, most)))!;
    expect(shown.beyond).toEqual([
      { machines: 10, places: 30, listed: 30 },
      { machines: 0, places: 0, listed: 0 },
    ]);
    // m1 and m2 are the first that hands are at.
    const ofTwo = tasks.filter(({ about }) => about.machine === 'm1' || about.machine === 'm2');
    const firstTen = tasks.filter(({ about }) => about.hands).slice(0, 10);
    expect(shown.tasks.map(({ id }) => id)).toEqual(
      tasks.filter((task) => ofTwo.includes(task) || firstTen.includes(task)).map(({ id }) => id),
    );
    const whole = firstOfDays(shown.tasks, days, { machines: Infinity, tasks: Infinity });
    expect(whole.tasks).toHaveLength(shown.tasks.length);
    expect(whole.beyond).toEqual([
      { machines: 0, places: 0, listed: 0 },
      { machines: 0, places: 0, listed: 0 },
    ]);
  });

  it('shows what hands are at wherever it stands, unless a page of a list is asked for', async () => {
    const { tasks } = await planned();
    const last = tasks.filter(({ hands }) => hands).at(-1)!;
    await beginTask(last.id, NOW);
    const two: Wanted<null> = (all) => ({ tasks: all.slice(0, 2), beyond: null });
    const idsOf = (shown: ShownPlan | null) => shown!.tasks.map(({ id }) => id);
    const first = tasks.slice(0, 2).map(({ id }) => id);
    expect(idsOf(await shownPlan('Etc/GMT+2', two))).toEqual([...first, last.id]);
    expect(idsOf(await shownPlan('Etc/GMT+2', two, { inHand: false }))).toEqual(first);
    for (const { id } of await runsNow()) await taskNotDone(id, NOW);
  });

  it('what only lies there since yesterday takes no place in the list of a day', () => {
    const lies = (id: string, more: Partial<ShownTask>) => ({
      ...planWithNames(id),
      to: '2026-06-22T20:00:00.000Z',
      ...more,
    });
    const day = { start: '2026-06-22T02:00:00.000Z', end: '2026-06-23T02:00:00.000Z' };
    const dries = Array.from({ length: 30 }, (_, i) =>
      lies(`dry ${i}`, { hands: false, place: 'rack', from: '2026-06-21T20:00:00.000Z' }),
    );
    const mend = lies('mend', { from: '2026-06-22T12:00:00.000Z' });
    const { tasks, beyond } = firstOfDays([...dries, mend], [day], { machines: 1, tasks: 4 });
    expect(firstListed(inDay(tasks, day), day, 4)).toEqual({ tasks: [mend], more: 0 });
    expect(beyond).toEqual([{ machines: 0, places: 27, listed: 0 }]);
  });

  it('has names for everything, and one task for hands first', async () => {
    const plan = await planned();
    expect(plan.tasks.every(({ words, title }) => words.length > 0 && title === 'Trial machine')).toBe(true);
    const { now, next } = handsOf(plan.tasks);
    expect(now).toMatchObject({ hands: true, words: 'Photograph every side' });
    expect(next.every(({ hands }) => hands)).toBe(true);
    expect(next).not.toContainEqual(now);
  });

  it('is a calendar that an independent library reads: the same events at the same instants, each with its alarm', async () => {
    const plan = await planned();
    const text = planCalendar({
      ...{ plan, name: 'Trial; bench, “ø”', timeZone: 'Etc/GMT+2', origin: 'http://127.0.0.1:3000' },
    });
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    const told = plan.tasks.filter(({ kind }) => kind !== 'answer');
    expect(events).toHaveLength(told.length);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(told.length);
    for (const [i, task] of told.entries()) {
      expect(events[i]!.startDate.toJSDate().toISOString()).toBe(task.from);
      expect(events[i]!.summary).toContain(task.words);
      expect(events[i]!.component.getAllSubcomponents('valarm')).toHaveLength(1);
    }
    expect(calendar.getFirstPropertyValue('x-wr-timezone')).toBe('Etc/GMT+2');
    // While there is no plan yet it is an empty calendar, not an error.
    expect(
      new ICAL.Component(
        ICAL.parse(planCalendar({ plan: null, name: 'T', timeZone: 'UTC', origin: '' })) as unknown[],
      ).getAllSubcomponents('vevent'),
    ).toEqual([]);
  });

  it('prints for the wall, a day and a week', async () => {
    const plan = await planned();
    const workshop = await getWorkshop();
    const days = await Promise.all(
      [0, 1, 2].map((i) => shownDay(workshop, new Date(NOW.getTime() + i * 86_400_000), outside.sky)),
    );
    for (const some of [days.slice(0, 1), days]) {
      const pdf = await planPdf(plan, some, workshop.name, workshop.timeZone);
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    }
  }, 60_000);
});

describe('days with another length', () => {
  const berlin = { ...{ hours: everyDay(1, 12), timeZone: 'Europe/Berlin' } } as Parameters<typeof peopleFacts>[1];

  it('a day of 23 hours has ten of the eleven from one to twelve, one of 25 twelve', () => {
    const first = (iso: string) => {
      const [[from, to]] = peopleFacts([], berlin, new Date(iso))[0]!.available as [readonly [number, number]];
      return (to - from) / 60;
    };
    expect(first('2026-03-28T23:00:00Z')).toBe(10);
    expect(first('2026-10-24T22:00:00Z')).toBe(12);
    expect(first('2026-06-20T22:00:00Z')).toBe(11);
  });

  it('and its strip is as long as it is', async () => {
    const workshop = { ...(await getWorkshop()), timeZone: 'Europe/Berlin' };
    const hours = async (iso: string) => {
      const { start, end } = await shownDay(workshop, new Date(iso), outside.sky);
      return (Date.parse(end) - Date.parse(start)) / 3_600_000;
    };
    expect(await hours('2026-03-29T10:00:00Z')).toBe(23);
    expect(await hours('2026-10-25T10:00:00Z')).toBe(25);
  });
});

describe('the strip of a day', () => {
  const DAY = {
    day: '2026-06-21',
    start: '2026-06-21T00:00:00.000Z',
    end: '2026-06-22T00:00:00.000Z',
    samples: [],
    clouds: [],
  };
  const task = (id: string, from: string, to: string, more: Partial<ShownTask> = {}): ShownTask => ({
    ...planWithNames(id),
    from: `2026-06-21T${from}:00.000Z`,
    to: `2026-06-21T${to}:00.000Z`,
    ...more,
  });

  it('lays nothing over anything: what overlaps lies in lanes, hands above what waits', () => {
    const tasks = [
      task('wait', '09:00', '18:00', { hands: false }),
      task('a', '09:00', '10:00'),
      task('b', '10:00', '11:00'),
      task('c', '10:30', '11:30'),
    ];
    const { of, count } = lanesOf(tasks);
    expect([...of]).toEqual([
      ['a', 0],
      ['b', 0],
      ['c', 1],
      ['wait', 2],
    ]);
    expect(count).toBe(3);
  });

  it('has a row for each machine, or for hands and each place; answers and parcels are told of elsewhere', () => {
    const tasks = [
      task('a', '09:00', '10:00', { who: 'Ida', place: 'sink' }),
      task('b', '10:00', '11:00', { hands: false, place: 'sun', machine: 'n', title: 'Other' }),
      task('p', '00:00', '23:00', { hands: false, kind: 'parcel' }),
    ];
    expect(rowsOf(tasks, DAY, 'machine').map(({ label }) => label)).toEqual(['Machine', 'Other']);
    expect(rowsOf(tasks, DAY, 'place').map(({ label }) => label)).toEqual(['Ida', 'Sink', 'Sun']);
    const other = { ...DAY, start: '2026-06-22T00:00:00.000Z', end: '2026-06-23T00:00:00.000Z' };
    expect(rowsOf(tasks, other, 'machine')).toEqual([]);
  });

  it('shows the light hours, and earlier and later where hands are at it', () => {
    const hours = (tasks: ShownTask[]) => shownHours(DAY, tasks).map((ms) => new Date(ms).getUTCHours());
    expect(hours([])).toEqual([7, 21]);
    expect(hours([task('a', '05:10', '06:00'), task('b', '21:30', '22:10')])).toEqual([5, 23]);
    expect(hours([task('w', '01:00', '23:00', { hands: false })])).toEqual([7, 21]);
  });
});

describe('what moved, in a sentence', () => {
  const titles = new Map([['m', 'Slab']]);
  const words = (causes: Cause[], ready: { machine: string; was: string; is: string }[] = []) =>
    movedWords({ causes, ready, tasks: [{ id: 'a', about: {} as never, from: '', to: '' }] }, titles, 'UTC');

  it.each<[Cause, string]>([
    [
      { kind: 'sky', days: ['2026-06-22', '2026-06-23'], better: false },
      'The sky is worse than it was foretold for Monday 22 Jun and Tuesday 23 Jun: one task moves.',
    ],
    [{ kind: 'parcel', what: 'foil', later: true }, '“foil” comes later: one task moves.'],
    [{ kind: 'arrived', what: 'foil' }, '“foil” is here or not waited for any more: one task moves.'],
    [{ kind: 'done', count: 2 }, '2 tasks are over: one task moves.'],
    [{ kind: 'more to do', count: 1, machine: 'm' }, 'There is one task more on Slab: one task moves.'],
    [{ kind: 'off the bench', machine: 'm' }, 'Slab is off the bench: one task moves.'],
    [{ kind: 'late', count: 1 }, 'One task was not begun in time: one task moves.'],
    [{ kind: 'people', fewer: true }, 'There are fewer hands: one task moves.'],
    [{ kind: 'said', count: 1 }, 'Somebody changed what the plan goes by: one task moves.'],
  ])('%j', (cause, sentence) => expect(words([cause])).toBe(sentence));

  it('names the machines that are ready on another day, and claims no cause where it knows none', () => {
    expect(words([], [{ machine: 'm', was: '2026-06-22T10:00:00Z', is: '2026-06-24T10:00:00Z' }])).toBe(
      'One task moves; Slab is ready Wed 24 Jun instead of Mon 22 Jun.',
    );
  });

  it('stays a sentence where hundreds of machines move: those that move furthest, and how many more', () => {
    const day = (i: number) => `2026-06-${String(10 + i)}T10:00:00Z`;
    const ready = Array.from({ length: 9 }, (_, i) => ({
      machine: i === 8 ? 'm' : `m${i}`,
      was: day(0),
      is: day(i + 1),
    }));
    expect(words([], ready)).toBe(
      'One task moves; Slab is ready Fri 19 Jun instead of Wed 10 Jun; a machine is ready Thu 18 Jun instead of Wed 10 Jun; a machine is ready Wed 17 Jun instead of Wed 10 Jun; 6 machines more are ready on another day.',
    );
    const arrived = ['foil', 'glue', 'film', 'clips', 'caps'].map((what): Cause => ({ kind: 'arrived', what }));
    expect(words(arrived)).toMatch(/“film” is here or not waited for any more and 2 other things changed: one task/);
  });

  it('says why something is not in the plan, by its own name', () => {
    const name = (id: string) => (id === 'a' ? 'Mend' : 'Cure');
    expect(noPlaceOf('a', { kind: 'hours', minutes: 700, longestMin: 600 }, name)).toMatch(
      /^“Mend” takes 11 h 40 min.*10 h/,
    );
    expect(noPlaceOf('a', { kind: 'waits', for: 'b' }, name)).toBe('It waits for “Cure”, which finds no moment.');
    expect(noPlaceOf('a', { kind: 'falls', with: 'b' }, name)).toBe(
      'It is only done for “Cure”, which finds no moment.',
    );
    expect(noPlaceOf('a', { kind: 'clash', with: 'b' }, name)).toMatch(/“Cure” and “Mend” clash/);
  });
});

it.each([
  [null, 'Played through many times'],
  [200, 'Played through 200 times'],
  [40, 'Played through 40 times'],
  [39, 'Played through only 39 times, as there was no time for more, so that days and odds are rough'],
  [1, 'Played through only once, as there was no time for more, so that days and odds are rough'],
])('says how often a plan was played through: %s', (runs, words) => expect(playedWords(runs)).toBe(words));
