import { Refusal } from '@/core/refusal';
import { lessonsFor, type Came, type LessonFacts } from '@/core/runsheet/lessons';
import { STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow, changeRow, findRows, needRow, select } from '@/data/table';

/** A rule of the workshop’s own, with where it was learnt and whether it held. */
export interface Lesson extends LessonFacts {
  at: string;
  /** When it was let go; `null` while it counts. */
  droppedAt: string | null;
  restorationId: string | null;
  machine: string | null;
  /** What was said of it on the machine that is looked at; `null` where nothing was. */
  saidHere: boolean | null;
}

/** Keeps a rule. @throws Refusal for the same one twice */
export async function keepLesson(
  given: { restorationId: string | null; stage: Stage; about: string; came: Came; words: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    if (given.restorationId !== null) await needRow('restorations', given.restorationId);
    const same = await findRows('lessons', {
      stage: given.stage,
      words: given.words,
      about: given.about,
      droppedAt: null,
    });
    if (same.length > 0) throw new Refusal('words', 'This rule is kept already. Say at the step whether it held.');
    await addRow('lessons', { ...given, at: now.toISOString(), droppedAt: null });
    await appendLog(
      {
        ...{ restorationId: given.restorationId, stage: given.stage, kind: 'rule' },
        words: `Kept as a rule for ${STAGE_WORDS[given.stage].title}: ${given.words}${given.about && ` (${given.about})`}.`,
      },
      now,
    );
  });
}

/** Lets a rule go: it comes up no more. `again` brings it back. */
export async function dropLesson(id: string, again: boolean, now: Date): Promise<void> {
  await inTransaction(async () => {
    const lesson = await needRow('lessons', id);
    await changeRow('lessons', { id }, { droppedAt: again ? null : now.toISOString() });
    await appendLog(
      {
        ...{ restorationId: lesson.restorationId, stage: lesson.stage, kind: 'rule' },
        words: `${again ? 'A rule counts again' : 'A rule counts no more'}: ${lesson.words}.`,
      },
      now,
    );
  });
}

/** Says whether a rule held on a machine; said again, the newer word counts. */
export async function sayItHeld(lessonId: string, restorationId: string, held: boolean, now: Date): Promise<void> {
  await inTransaction(async () => {
    const lesson = await needRow('lessons', lessonId);
    await needRow('restorations', restorationId);
    await addRow('lesson_uses', { lessonId, restorationId, held, words: '', at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: lesson.stage, kind: 'rule' },
        words: `The rule “${lesson.words}” ${held ? 'held' : 'did not hold'}.`,
      },
      now,
    );
  });
}

interface Counted {
  lessonId: string;
  held: number;
  failed: number;
  saidHere: number | null;
}

/** So many rules of a stage are looked at, the newest. */
const MOST_OF_STAGE = 400;
/** So many come up at a step; all stand under Workshop. */
const MOST_AT_A_STEP = 8;

interface Asked {
  /** The machine that is looked at. */
  here: string | null;
  /** Those that were let go, instead of those that count. */
  dropped?: boolean;
  /** Of one stage alone. */
  stage?: Stage | null;
  /** This one alone, whether it counts or not. */
  id?: string;
  from?: number;
  count: number;
}

const wanted = ({ dropped = false, stage = null, id }: Asked): string =>
  id === undefined
    ? `lessons.droppedAt IS ${dropped ? 'NOT NULL' : 'NULL'}${stage === null ? '' : ' AND lessons.stage = :stage'}`
    : 'lessons.id = :id';

/** Rules of the workshop, the newest first, with whether each held; of each machine the newest word counts. */
async function someLessons(asked: Asked): Promise<Lesson[]> {
  const { here, stage = null, id = null, from = 0, count } = asked;
  const lessons = await select<Omit<Lesson, 'here' | 'held' | 'failed' | 'saidHere'>>(
    `SELECT lessons.id, lessons.stage, lessons.about, lessons.came, lessons.words, lessons.at, lessons.droppedAt, lessons.restorationId, restorations.title AS machine
      FROM lessons LEFT JOIN restorations ON restorations.id = lessons.restorationId
      WHERE ${wanted(asked)} ORDER BY lessons.at DESC, lessons.id LIMIT :count OFFSET :from`,
    { stage, id, count, from },
  );
  if (lessons.length === 0) return [];
  const said = await select<Counted>(
    `SELECT lessonId, SUM(held) AS held, SUM(NOT held) AS failed, MAX(CASE WHEN restorationId = :here THEN held END) AS saidHere
        FROM (SELECT lessonId, restorationId, held, ROW_NUMBER() OVER (PARTITION BY lessonId, restorationId ORDER BY at DESC, rowid DESC) AS back
          FROM lesson_uses WHERE lessonId IN (:ids))
        WHERE back = 1 GROUP BY lessonId`,
    { here, ids: lessons.map(({ id }) => id) },
  );
  const of = new Map(said.map((one) => [one.lessonId, one]));
  return lessons.map((lesson): Lesson => {
    const { held = 0, failed = 0, saidHere = null } = of.get(lesson.id) ?? {};
    return {
      ...{ ...lesson, held, failed },
      here: lesson.restorationId === here,
      saidHere: saidHere === null ? null : saidHere === 1,
    };
  });
}

/** A rule, whether it counts or was let go; `null` where there is none. */
export const findLesson = async (id: string): Promise<Lesson | null> =>
  (await someLessons({ here: null, id, count: 1 }))[0] ?? null;

/** Some rules of the workshop, the newest first, and how many there are in all. */
export async function lessonsPage(asked: Asked): Promise<{ lessons: Lesson[]; all: number }> {
  const [lessons, [counted]] = await Promise.all([
    someLessons(asked),
    select<{ all: number }>(`SELECT COUNT(*) AS "all" FROM lessons WHERE ${wanted(asked)}`, {
      stage: asked.stage ?? null,
    }),
  ]);
  return { lessons, all: counted!.all };
}

/** The rules that come up at a stage of a machine: they are about the stage, or about something that is there. */
export async function lessonsAt(restorationId: string, stage: Stage): Promise<Lesson[]> {
  const all = (await someLessons({ here: restorationId, stage, count: MOST_OF_STAGE })).filter(({ here }) => !here);
  if (all.length === 0) return [];
  const things = await select<{ words: string }>(
    `SELECT tag || ' ' || name || ' ' || plastic || ' ' || finish AS words FROM pieces WHERE restorationId = :id
      UNION ALL SELECT name || ' ' || joint || ' ' || way FROM removal_steps WHERE restorationId = :id
      UNION ALL SELECT agent || ' ' || soil FROM sink_steps WHERE restorationId = :id
      UNION ALL SELECT kind || ' ' || words FROM findings WHERE restorationId = :id
      UNION ALL SELECT name || ' ' || COALESCE(way, '') FROM repairs WHERE restorationId = :id
      UNION ALL SELECT school FROM treatments WHERE restorationId = :id
      UNION ALL SELECT name || ' ' || kind FROM keyboards WHERE restorationId = :id
      UNION ALL SELECT machine FROM restorations WHERE id = :id`,
    { id: restorationId },
  );
  return lessonsFor(
    all,
    stage,
    things.map(({ words }) => words),
  ).slice(0, MOST_AT_A_STEP);
}
