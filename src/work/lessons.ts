import { Refusal } from '@/core/refusal';
import { lessonsFor, type Came, type LessonFacts } from '@/core/runsheet/lessons';
import { STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow, changeRow, findRows, needRow, select } from '@/data/table';

/** A rule of the workshop’s own, with where it was learnt and whether it held. */
export interface Lesson extends LessonFacts {
  at: string;
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

/** So many rules are read at once: of a stage, or of the whole list; the newest. */
const MOST_READ = 400;
/** So many come up at a step; all stand under Workshop. */
const MOST_AT_A_STEP = 8;

/** Rules of the workshop, the newest first, with whether each held; of each machine the newest word counts. */
export async function listLessons(
  here: string | null,
  { dropped = false, stage = null }: { dropped?: boolean; stage?: Stage | null } = {},
): Promise<Lesson[]> {
  const lessons = await select<{
    id: string;
    stage: Stage;
    about: string;
    came: Came;
    words: string;
    at: string;
    restorationId: string | null;
    machine: string | null;
  }>(
    `SELECT lessons.id, lessons.stage, lessons.about, lessons.came, lessons.words, lessons.at, lessons.restorationId, restorations.title AS machine
        FROM lessons LEFT JOIN restorations ON restorations.id = lessons.restorationId
        WHERE lessons.droppedAt IS ${dropped ? 'NOT NULL' : 'NULL'} AND (:stage IS NULL OR lessons.stage = :stage)
        ORDER BY lessons.at DESC LIMIT :most`,
    { stage, most: MOST_READ },
  );
  if (lessons.length === 0) return [];
  const counted = await select<Counted>(
    `SELECT lessonId, SUM(held) AS held, SUM(NOT held) AS failed, MAX(CASE WHEN restorationId = :here THEN held END) AS saidHere
        FROM (SELECT lessonId, restorationId, held, ROW_NUMBER() OVER (PARTITION BY lessonId, restorationId ORDER BY at DESC, rowid DESC) AS back FROM lesson_uses)
        WHERE back = 1 GROUP BY lessonId`,
    { here },
  );
  const of = new Map(counted.map((one) => [one.lessonId, one]));
  return lessons.map((lesson): Lesson => {
    const said = of.get(lesson.id);
    return {
      ...lesson,
      here: lesson.restorationId === here,
      held: said?.held ?? 0,
      failed: said?.failed ?? 0,
      saidHere: said?.saidHere === undefined || said.saidHere === null ? null : said.saidHere === 1,
    };
  });
}

/** The rules that come up at a stage of a machine: they are about the stage, or about something that is there. */
export async function lessonsAt(restorationId: string, stage: Stage): Promise<Lesson[]> {
  const all = (await listLessons(restorationId, { stage })).filter(({ here }) => !here);
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
