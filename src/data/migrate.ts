import { DataTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { firstSlice } from './migrations/0001-first-slice';
import { teardown } from './migrations/0002-teardown';
import { intake } from './migrations/0003-intake';
import { wash } from './migrations/0004-wash';
import { brighten } from './migrations/0006-brighten';
import { ownCleaning } from './migrations/0005-own-cleaning';
import { tending } from './migrations/0007-tending';
import { planned } from './migrations/0008-planned';
import { movements } from './migrations/0009-movements';
import { trueAnyDay } from './migrations/0010-true-any-day';
import { keptCounts } from './migrations/0011-kept-counts';
import { answered } from './migrations/0012-answered';
import { ownRelations } from './migrations/0013-own-relations';
import { putAwayTable } from './migrations/0014-put-away';
import { NewerData } from './fault';
import { doorTries } from './migrations/0015-door-tries';
import { LATER } from './migrations/later';
import type { Migration } from './migrations/migration';

const MIGRATIONS: readonly Migration[] = [
  firstSlice,
  teardown,
  intake,
  wash,
  ownCleaning,
  brighten,
  tending,
  planned,
  movements,
  trueAnyDay,
  keptCounts,
  answered,
  ownRelations,
  putAwayTable,
  doorTries,
  ...LATER,
];

/** Brings the database forward to the newest shape, or to an earlier one that a test needs. */
export async function migrate(sequelize: Sequelize, to?: string): Promise<string[]> {
  const storage = new SequelizeStorage({ sequelize, modelName: 'migrations', columnType: DataTypes.STRING });
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, statements }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          for (const statement of statements) await sequelize.query(statement, { transaction });
        }),
    })),
    storage,
    logger: undefined,
  });
  const known = new Set(MIGRATIONS.map(({ name }) => name));
  const later = (await storage.executed()).filter((name) => !known.has(name));
  if (later.length > 0) throw new NewerData(later);
  return (await umzug.up(to ? { to } : {})).map(({ name }) => name);
}
