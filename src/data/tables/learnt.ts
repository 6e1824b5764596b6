import { MOST } from '@/core/limits';
import { CAME } from '@/core/runsheet/lessons';
import {
  choice,
  flag,
  id,
  namingAcross,
  number,
  ofRestoration,
  orNull,
  stage,
  table,
  text,
  time,
  timeOrNull,
  title,
} from '../column';

/** What the workshop learnt by itself, and what everything is found by. None of it goes along with an exported restoration. */
export const LEARNT_TABLES = {
  /** What went wrong or well, kept as a rule of one’s own. */
  lessons: table({
    noun: 'rule',
    columns: {
      id,
      /** Where it was learnt. */
      restorationId: orNull(ofRestoration),
      stage,
      /** Joint, kind of part, agent or plastic that it is about; empty for the stage as a whole. */
      about: text(MOST.name),
      came: choice(CAME),
      words: title(MOST.few),
      at: time,
      droppedAt: timeOrNull,
    },
  }),
  /** Whether a rule held on another machine. */
  lesson_uses: table({
    columns: { id, lessonId: namingAcross, restorationId: ofRestoration, held: flag, words: text(MOST.few), at: time },
  }),
  /** Everything that has words; the database keeps it true by itself. */
  found_words: table({
    columns: {
      id: number,
      /** The table that it stands in. */
      kind: text(),
      ofKey: text(),
      restorationId: orNull(ofRestoration),
      at: timeOrNull,
      words: text(),
    },
  }),
};
