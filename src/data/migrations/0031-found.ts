import type { Migration } from './migration';

/** What can be found by its words: the table, its restoration, when it was, and its words. */
interface Source {
  table: string;
  restoration?: string;
  at?: string;
  words: readonly string[];
  /** The log is never changed, so nothing has to follow a change of it. */
  onlyAdded?: true;
}

const SOURCES: readonly Source[] = [
  {
    ...{ table: 'restorations', restoration: 'id', at: 'openedAt' },
    words: ['title', 'machine', 'source', 'condition', 'claim', 'worthKeeping', 'owner'],
  },
  {
    table: 'pieces',
    restoration: 'restorationId',
    words: ['tag', 'name', 'plastic', 'finish', 'labels', 'worthKeeping'],
  },
  { table: 'findings', restoration: 'restorationId', at: 'foundAt', words: ['kind', 'words', 'settledWords', 'soil'] },
  { table: 'photos', restoration: 'restorationId', at: 'addedAt', words: ['originalName', 'words'] },
  { table: 'requests', restoration: 'restorationId', at: 'askedAt', words: ['what', 'why', 'answerWords'] },
  { table: 'sessions', restoration: 'restorationId', at: 'startedAt', words: ['words'] },
  { table: 'sink_steps', restoration: 'restorationId', at: 'startedAt', words: ['agent', 'soil', 'outcome', 'words'] },
  {
    table: 'removal_steps',
    restoration: 'restorationId',
    at: 'removedAt',
    words: ['name', 'joint', 'way', 'onWords', 'offBy', 'onBy'],
  },
  { table: 'repairs', restoration: 'restorationId', at: 'at', words: ['name', 'way', 'outcome', 'words'] },
  { table: 'key_repairs', restoration: 'restorationId', at: 'startedAt', words: ['way', 'fault', 'outcome', 'words'] },
  { table: 'parts', restoration: 'restorationId', at: 'at', words: ['name', 'family'] },
  { table: 'rusts', restoration: 'restorationId', at: 'at', words: ['name', 'outcome', 'words'] },
  { table: 'coat_jobs', restoration: 'restorationId', at: 'at', words: ['name', 'masks'] },
  { table: 'lost_marks', restoration: 'restorationId', at: 'at', words: ['kind', 'name', 'way', 'words'] },
  { table: 'origins', restoration: 'restorationId', at: 'at', words: ['what', 'state', 'words'] },
  { table: 'orders', restoration: 'restorationId', at: 'at', words: ['what', 'words'] },
  { table: 'stock', at: 'addedAt', words: ['name', 'kind', 'words'] },
  { table: 'donors', at: 'addedAt', words: ['name', 'words'] },
  { table: 'donor_parts', at: 'addedAt', words: ['what', 'words'] },
  { table: 'people', at: 'addedAt', words: ['name'] },
  { table: 'own_agents', at: 'addedAt', words: ['title', 'does'] },
  { table: 'lessons', restoration: 'restorationId', at: 'at', words: ['about', 'words'] },
  { table: 'log', restoration: 'restorationId', at: 'at', words: ['words'], onlyAdded: true },
];

const row = (of: string, { restoration, at, words }: Source) =>
  [
    ...[`${of}.id`, restoration ? `${of}.${restoration}` : 'NULL', at ? `${of}.${at}` : 'NULL'],
    `trim(${words.map((name) => `COALESCE(${of}.${name}, '')`).join(` || ' ' || `)})`,
  ].join(', ');

const add = (source: Source, of: string) =>
  `INSERT INTO found_words (kind, ofKey, restorationId, at, words) SELECT '${source.table}', ${row(of, source)}`;

const triggers = (source: Source): string[] => {
  const { table, onlyAdded } = source;
  const gone = `DELETE FROM found_words WHERE kind = '${table}' AND ofKey = OLD.id;`;
  return [
    `CREATE TRIGGER ${table}_found AFTER INSERT ON ${table} BEGIN ${add(source, 'NEW')}; END`,
    ...(onlyAdded
      ? []
      : [
          `CREATE TRIGGER ${table}_found_anew AFTER UPDATE ON ${table} BEGIN
            UPDATE found_words SET (ofKey, restorationId, at, words) = (SELECT ${row('NEW', source)}) WHERE kind = '${table}' AND ofKey = OLD.id; END`,
          `CREATE TRIGGER ${table}_found_no_more AFTER DELETE ON ${table} BEGIN ${gone} END`,
        ]),
  ];
};

/**
 * Everything that has words can be found by them. The database itself keeps the index true, whatever writes. And what went
 * wrong or well, kept as a rule of the workshop’s own, with whether it held.
 */
export const found: readonly Migration[] = [
  {
    name: '0031-lessons-and-finding',
    statements: [
      `CREATE TABLE lessons (id TEXT PRIMARY KEY, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, stage TEXT NOT NULL, about TEXT NOT NULL, came TEXT NOT NULL CHECK (came IN ('helped','went wrong','no effect')), words TEXT NOT NULL, at TEXT NOT NULL, droppedAt TEXT)`,
      'CREATE INDEX lessons_stage ON lessons (stage, droppedAt)',
      'CREATE INDEX lessons_restoration ON lessons (restorationId)',
      `CREATE TABLE lesson_uses (id TEXT PRIMARY KEY, lessonId TEXT NOT NULL REFERENCES lessons(id) ON DELETE RESTRICT, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, held INTEGER NOT NULL, words TEXT NOT NULL, at TEXT NOT NULL)`,
      'CREATE INDEX lesson_uses_lesson ON lesson_uses (lessonId)',
      'CREATE INDEX lesson_uses_restoration ON lesson_uses (restorationId)',
      'CREATE TABLE found_words (id INTEGER PRIMARY KEY AUTOINCREMENT, kind TEXT NOT NULL, ofKey TEXT NOT NULL, restorationId TEXT, at TEXT, words TEXT NOT NULL)',
      'CREATE INDEX found_words_of ON found_words (kind, ofKey)',
      // Which entries a later one takes the place of is asked with every page of the log.
      'CREATE INDEX log_corrects ON log (corrects) WHERE corrects IS NOT NULL',
      'CREATE INDEX found_words_at ON found_words (at)',
      `CREATE VIRTUAL TABLE found USING fts5(words, content='found_words', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='2 3')`,
      `CREATE TRIGGER found_words_in AFTER INSERT ON found_words BEGIN INSERT INTO found (rowid, words) VALUES (NEW.id, NEW.words); END`,
      `CREATE TRIGGER found_words_out AFTER DELETE ON found_words BEGIN INSERT INTO found (found, rowid, words) VALUES ('delete', OLD.id, OLD.words); END`,
      `CREATE TRIGGER found_words_anew AFTER UPDATE ON found_words BEGIN INSERT INTO found (found, rowid, words) VALUES ('delete', OLD.id, OLD.words); INSERT INTO found (rowid, words) VALUES (NEW.id, NEW.words); END`,
      ...SOURCES.flatMap((source) => [`${add(source, source.table)} FROM ${source.table}`, ...triggers(source)]),
    ],
  },
];
