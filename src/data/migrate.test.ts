import { Sequelize } from 'sequelize';
import { KEY_GROUPS } from '@/core/runsheet/functionTest';
import { warningSaid } from '@/core/picture/warnings';
import { migrate } from './migrate';
import { LATER } from './migrations/later';

it('brings a workshop of the version before forward, with what it held', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  await migrate(sequelize, '0002-teardown');
  await sequelize.query(
    `INSERT INTO restorations (id, title, machine, source, pricePaidMinor, condition, openedAt) VALUES ('r', 'Old', '', '', 0, '', '2026-01-01')`,
  );
  const old = JSON.stringify({ display: 'works', keys: 'faulty', lamps: 'not tried' });
  await sequelize.query(
    `INSERT INTO function_tests (id, restorationId, phase, at, results) VALUES ('t', 'r', 'before', '2026-01-01', '${old}')`,
  );
  await sequelize.query(
    `INSERT INTO removal_steps (id, restorationId, position, name, joint, way, springs, pins, removedAt) VALUES ('s', 'r', 1, 'Lid', 'clips', '', '', '[]', '2026-01-01')`,
  );
  expect(await migrate(sequelize)).toEqual([
    '0003-intake',
    '0004-wash',
    '0005-own-cleaning',
    '0006-brighten',
    '0007-tending',
    '0008-planned',
    '0009-movements',
    '0010-true-any-day',
    '0011-kept-counts',
    '0012-answered',
    '0013-own-relations',
    '0014-put-away',
    '0015-door-tries',
    ...LATER.map(({ name }) => name),
  ]);
  const first = async (sql: string) => ((await sequelize.query(sql))[0] as Record<string, unknown>[])[0]!;
  const results = JSON.parse(String((await first('SELECT results FROM function_tests')).results)) as Record<
    string,
    string
  >;
  expect(results).toEqual({
    display: 'works',
    lamps: 'not tried',
    ...Object.fromEntries(KEY_GROUPS.map((group) => [group, 'faulty'])),
  });
  expect(await first('SELECT aim, owner, allowed, estimate FROM restorations')).toEqual({
    aim: 'presentable',
    owner: '',
    allowed: '{"stages":[],"spendMinor":0,"words":""}',
    estimate: null,
  });
  expect(await first('SELECT offBy, onBy FROM removal_steps')).toEqual({ offBy: '', onBy: '' });
  await sequelize.close();
});

it('knows from then on what each timer times', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  await migrate(sequelize, '0004-wash');
  const timer = (id: string, label: string) =>
    sequelize.query(
      `INSERT INTO timers (id, label, atTheBell, startedAt, dueAt) VALUES ('${id}', '${label}', '', '2026-01-01', '2026-01-02')`,
    );
  await timer('a', 'K1 lid: drying');
  await timer('b', 'Glue on the hinge');
  await migrate(sequelize);
  const [kinds] = await sequelize.query('SELECT id, kind FROM timers ORDER BY id');
  expect(kinds).toEqual([
    { id: 'a', kind: 'drying' },
    { id: 'b', kind: 'other' },
  ]);
  await sequelize.close();
});

it('gives every weekday the hours that all days had', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  await migrate(sequelize, '0009-movements');
  await sequelize.query(
    `INSERT INTO workshop (id, name, timeZone, units, currency, dayFromH, dayToH) VALUES ('workshop', 'Old', 'UTC', 'metric', 'EUR', 9.5, 17)`,
  );
  await migrate(sequelize);
  const [[row]] = (await sequelize.query('SELECT hours FROM workshop')) as [{ hours: string }[], unknown];
  expect(JSON.parse(row!.hours)).toEqual(Array.from({ length: 7 }, () => ({ fromH: 9.5, toH: 17 })));
  await sequelize.close();
});

it('keeps what a measurement warned of: as a kind where something is decided by it, else as it was said', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  await migrate(sequelize, '0015-door-tries');
  const words = 'The light changes by about 23 % across “piece”. Turn the piece or use light from farther away.';
  const blurred = 'The picture is blurred. Hold the camera still, it’s best.';
  await sequelize.query('PRAGMA foreign_keys = OFF');
  const keep = (id: string, result: string) =>
    sequelize.query(
      `INSERT INTO measurements (id, restorationId, pieceId, photoId, stage, measuredAt, spec, result, basis) VALUES (:id, 'r', 'p', 'f', 'wash', '2026-01-01', '{}', :result, 'card')`,
      { replacements: { id, result } },
    );
  await keep('a', JSON.stringify({ basis: 'card', warnings: [words, blurred] }));
  await keep('b', JSON.stringify({ basis: 'card', warnings: [] }));
  await migrate(sequelize);
  const [rows] = (await sequelize.query('SELECT result FROM measurements ORDER BY id')) as [
    { result: string }[],
    unknown,
  ];
  expect(rows.map(({ result }) => JSON.parse(result) as object)).toEqual([
    { basis: 'card', warnings: [words, blurred].map(warningSaid) },
    { basis: 'card', warnings: [] },
  ]);
  expect(warningSaid(words)).toEqual({ kind: 'light changes', region: 'piece', share: 0.23 });
  await sequelize.close();
});
